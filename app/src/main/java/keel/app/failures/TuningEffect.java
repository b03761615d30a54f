package keel.app.failures;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.KnownCases;
import keel.core.knowledge.Tuning;
import org.springframework.stereotype.Component;

/**
 * What other figures would have said, beside what the figures in force say: of the failures that are closed here, and
 * of some from a simulated shop, whose causes are known for certain.
 */
@Component
public class TuningEffect {

    private static final int CASES = 80;
    private static final int SHOWN = 12;

    private final Failures failures;
    private final Diagnoses diagnoses;
    private final TunedKnowledge tuned;

    TuningEffect(Failures failures, Diagnoses diagnoses, TunedKnowledge tuned) {
        this.failures = failures;
        this.diagnoses = diagnoses;
        this.tuned = tuned;
    }

    /** How the named cause stood in one case before and after, from 1 for first. */
    record Moved(FailureView failure, int before, int after) {}

    /** In how many cases the true cause stands first, and among the first three, before and after. */
    record Count(int cases, int firstBefore, int firstAfter, int threeBefore, int threeAfter) {

        static Count of(List<int[]> places) {
            return new Count(
                    places.size(),
                    within(places, 0, 1),
                    within(places, 1, 1),
                    within(places, 0, 3),
                    within(places, 1, 3));
        }

        private static int within(List<int[]> places, int which, int most) {
            return (int) places.stream().filter(p -> p[which] <= most).count();
        }
    }

    /**
     * @param here of the failures that were closed
     * @param simulated of a simulated shop
     * @param moved cases in which the named cause would stand elsewhere, those that change most first
     */
    record Effect(Count here, Count simulated, List<Moved> moved) {}

    /** Of the latest closed failures, and of the simulated ones. */
    public Effect of(Tuning tuning) {
        Diagnostician before = diagnoses.diagnostician(tuned.tuning());
        Diagnostician after = diagnoses.diagnostician(tuning);
        List<Moved> all = new ArrayList<>();
        for (FailureView f : failures.closed(CASES)) {
            int[] places = places(before, after, diagnoses.evidence(f), List.of(f.cause()));
            all.add(new Moved(f, places[0], places[1]));
        }
        return new Effect(
                Count.of(
                        all.stream().map(m -> new int[] {m.before(), m.after()}).toList()),
                Count.of(KnownCases.shipped().stream()
                        .map(c -> places(before, after, c.evidence(), c.causes()))
                        .toList()),
                all.stream()
                        .filter(m -> m.before() != m.after())
                        .sorted((a, b) -> Math.abs(b.before() - b.after()) - Math.abs(a.before() - a.after()))
                        .limit(SHOWN)
                        .toList());
    }

    private static int[] places(Diagnostician before, Diagnostician after, Evidence evidence, List<String> causes) {
        return new int[] {place(before.ranking(evidence), causes), place(after.ranking(evidence), causes)};
    }

    /** Of the best placed, from 1. */
    private static int place(List<String> ranking, List<String> causes) {
        return IntStream.range(0, ranking.size())
                        .filter(i -> causes.contains(ranking.get(i)))
                        .findFirst()
                        .orElse(ranking.size())
                + 1;
    }
}
