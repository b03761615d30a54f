package keel.app.failures;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import keel.app.prints.Attempt;
import keel.core.diagnosis.Diagnosis;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;

/**
 * A failure as it lies on the desk.
 *
 * @param bars the likeliest causes, at most five
 * @param others all others
 * @param look the check that is asked for, null when enough is known or none is left
 * @param then checks that come after it
 * @param besides checks that nobody needs, for whoever wants to look all the same
 * @param also what must be looked at before anything prints
 * @param places how much of what was seen each part explains, the parts in the order in which they are stacked
 */
public record CasePage(
        List<Bar> bars,
        List<Diagnosis.Suspect> others,
        Look look,
        List<Next> then,
        List<Next> besides,
        List<Diagnosis.AlsoLookAt> also,
        List<Place> places,
        List<Diagnosis.Pair> pairs) {

    private static final int BARS = 5;
    private static final double WORTH_A_BAR = 0.01;
    private static final int CHIPS = 4;
    private static final double WORTH_SAYING_DECIBANS = 1;
    private static final double PAIR_WORTH_SAYING = 0.1;

    /** A cause with its strongest evidence. */
    public record Bar(String code, String name, double probability, double present, List<Diagnosis.Weighed> evidence) {}

    /** Checks that have a page of their machine's bench. */
    private static final Map<String, String> BENCH =
            Map.of("dry-run", "/guides/dry-run", "screen-test", "/screen", "uv-map", "/uv", "axis-piece", "/smoothing");

    /** A check with its answers, each with the number key that gives it. */
    record Look(Check check, Diagnosis.NextCheck worth, List<Answer> answers) {

        /** Path of the page that leads through it, after that of the machine; null if there is none. */
        public String bench() {
            return BENCH.get(check.code());
        }
    }

    /** @param value what is sent: a cause code, a side, or empty for nothing found */
    record Answer(int key, String value, String words, boolean found) {}

    record Next(Check check, Diagnosis.NextCheck worth) {}

    /** A part and how much of what was seen it explains, 0 to 1. */
    public record Place(Cause.CausePart part, double share) {}

    /**
     * @param wanted code of a check that somebody would rather do, null for the best
     * @param skipped checks that cannot be done
     * @param named whether somebody has named the cause, so that nothing more is asked by itself
     */
    public static CasePage of(Diagnosis d, Knowledge knowledge, Set<String> skipped, String wanted, boolean named) {
        List<Bar> bars = d.causes().stream()
                .limit(BARS)
                .filter(s -> s.probability() >= WORTH_A_BAR || s == d.causes().get(0))
                .map(CasePage::bar)
                .toList();
        List<Diagnosis.NextCheck> left =
                d.nextChecks().stream().filter(n -> !skipped.contains(n.code())).toList();
        List<Diagnosis.NextCheck> idle = d.otherChecks().stream()
                .filter(n -> !skipped.contains(n.code()))
                .toList();
        Diagnosis.NextCheck first = Stream.concat(left.stream(), idle.stream())
                .filter(n -> n.code().equals(wanted))
                .findFirst()
                .orElse(left.isEmpty() || d.enough() || named ? null : left.get(0));
        Look look = first == null ? null : look(knowledge.check(first.code()).orElseThrow(), first);
        List<Next> then = left.stream()
                .filter(n -> n != first)
                .limit(4)
                .map(n -> new Next(knowledge.check(n.code()).orElseThrow(), n))
                .toList();
        return new CasePage(
                bars,
                d.causes().subList(bars.size(), d.causes().size()),
                look,
                then,
                idle.stream()
                        .filter(n -> n != first)
                        .map(n -> new Next(knowledge.check(n.code()).orElseThrow(), n))
                        .toList(),
                besides(d),
                places(d, knowledge),
                d.pairs().stream()
                        .filter(p -> p.probability() >= PAIR_WORTH_SAYING)
                        .toList());
    }

    /** What must be looked at beside what leads: that is looked at by whoever mends it. */
    static List<Diagnosis.AlsoLookAt> besides(Diagnosis d) {
        String leading = d.causes().get(0).code();
        return d.alsoLookAt().stream().filter(a -> !a.code().equals(leading)).toList();
    }

    private static Bar bar(Diagnosis.Suspect s) {
        return new Bar(
                s.code(),
                s.name(),
                s.probability(),
                s.present(),
                s.evidence().stream()
                        .filter(w -> Math.abs(w.decibans()) >= WORTH_SAYING_DECIBANS)
                        .limit(CHIPS)
                        .toList());
    }

    private static Look look(Check check, Diagnosis.NextCheck worth) {
        List<Answer> answers = new ArrayList<>();
        check.answersInOrder()
                .forEach(a -> answers.add(
                        new Answer(answers.size() + 1, a, check.says().get(a), true)));
        if (check.clear() != null) {
            answers.add(new Answer(answers.size() + 1, "", check.clear(), false));
        }
        return new Look(check, worth, answers);
    }

    private static List<Place> places(Diagnosis d, Knowledge knowledge) {
        Map<Cause.CausePart, Double> shares = new EnumMap<>(Cause.CausePart.class);
        d.causes()
                .forEach(s ->
                        shares.merge(knowledge.cause(s.code()).orElseThrow().part(), s.share(), Double::sum));
        return shares.entrySet().stream()
                .sorted(Map.Entry.comparingByKey())
                .map(e -> new Place(e.getKey(), e.getValue()))
                .toList();
    }

    /** An earlier failure like this one. */
    record Alike(FailureView failure, double likeness, Long photo) {}

    /**
     * A step of the recovery.
     *
     * @param path where it is done, null if there is no page for it
     * @param done when it was done since the failure, null if it was not
     * @param said whether nothing but somebody's word shows that it was done
     */
    record Step(String what, List<String> how, String path, Instant done, boolean said) {

        Step(String what, List<String> how, String path, Instant done) {
            this(what, how, path, done, false);
        }
    }

    /** What was lost over all attempts. */
    public record Lost(int attempts, double resinMl, long minutes) {

        public static Lost of(List<Attempt> attempts) {
            List<Attempt> lost = attempts.stream()
                    .filter(a -> a.run().outcome() != null && a.run().outcome().wentWrong())
                    .toList();
            return new Lost(
                    lost.size(),
                    lost.stream().mapToDouble(a -> a.run().resinMl()).sum(),
                    lost.stream()
                            .mapToLong(a -> Duration.between(
                                            a.run().startedAt(), a.run().endedAt())
                                    .toMinutes())
                            .sum());
        }
    }
}
