package keel.app.failures;

import java.util.ArrayList;
import java.util.List;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Tuning;
import org.springframework.stereotype.Component;

/** What other figures would have said of the failures that are closed, beside what the figures in force say. */
@Component
public class TuningEffect {

    private static final int CASES = 80;
    private static final int SHOWN = 12;

    private final Failures failures;
    private final Diagnoses diagnoses;
    private final TunedKnowledge tuned;
    private final Knowledge shipped;

    TuningEffect(Failures failures, Diagnoses diagnoses, TunedKnowledge tuned, Knowledge shipped) {
        this.failures = failures;
        this.diagnoses = diagnoses;
        this.tuned = tuned;
        this.shipped = shipped;
    }

    /** How the named cause stood in one case before and after, from 1 for first. */
    record Moved(FailureView failure, int before, int after) {}

    /** @param moved cases in which the named cause would stand elsewhere, those that change most first */
    record Effect(int cases, int firstBefore, int firstAfter, int threeBefore, int threeAfter, List<Moved> moved) {}

    /** Of the latest closed failures. */
    public Effect of(Tuning tuning) {
        Diagnostician before = diagnoses.diagnostician(tuned.now());
        Diagnostician after = diagnoses.diagnostician(shipped.tuned(tuning));
        List<Moved> all = new ArrayList<>();
        for (FailureView f : failures.closed(CASES)) {
            Evidence evidence = diagnoses.evidence(f);
            all.add(new Moved(
                    f,
                    before.ranking(evidence).indexOf(f.cause()) + 1,
                    after.ranking(evidence).indexOf(f.cause()) + 1));
        }
        return new Effect(
                all.size(),
                count(all, true, 1),
                count(all, false, 1),
                count(all, true, 3),
                count(all, false, 3),
                all.stream()
                        .filter(m -> m.before() != m.after())
                        .sorted((a, b) -> Math.abs(b.before() - b.after()) - Math.abs(a.before() - a.after()))
                        .limit(SHOWN)
                        .toList());
    }

    private static int count(List<Moved> all, boolean before, int within) {
        return (int) all.stream()
                .filter(m -> (before ? m.before() : m.after()) <= within)
                .count();
    }
}
