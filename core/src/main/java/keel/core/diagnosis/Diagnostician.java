package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.Symptom;
import keel.core.standing.Crush;

/**
 * Names the cause of a failure: Bayes' rule over single causes and the listed pairs, facts taken as independent given
 * the cause. Symptoms that were seen, that were looked for and absent, and, more weakly, that nobody mentioned; checks
 * with what they miss and imagine; facts of the machine's history as hazard ratios; starting odds mixed with the shop's
 * own closed failures.
 */
public final class Diagnostician {

    private static final double WORTH_SAYING_DECIBANS = 1;
    private static final double LEADS_CLEARLY = 0.9;
    private static final double LEADS = 0.75;
    private static final double HARDLY_WORTH_IT_BITS = 0.1;
    private static final Set<String> BEFORE_PRINTING = Set.of("look-under-vat", "feel-vat");

    private final Knowledge knowledge;
    private final Odds odds;
    private final Likelihoods likelihoods;
    private final List<Cause> causes;
    private final double[] shipped;
    private final double[] starting;

    /** With the starting odds alone. */
    public Diagnostician(Knowledge knowledge, Odds odds) {
        this(knowledge, odds, Map.of());
    }

    /**
     * With what the shop has learned.
     *
     * @param closed cause code to how many of the shop's own failures closed with it; presumed ones may count less than
     *     1
     */
    public Diagnostician(Knowledge knowledge, Odds odds, Map<String, Double> closed) {
        this.knowledge = knowledge;
        this.odds = odds;
        this.likelihoods = new Likelihoods(odds);
        this.causes = knowledge.causes();
        double[] weights =
                Bayes.normalised(causes.stream().mapToDouble(Cause::weight).toArray());
        this.shipped = weights;
        this.starting = Bayes.normalised(IntStream.range(0, weights.length)
                .mapToDouble(i -> odds.learnedFrom() * weights[i]
                        + closed.getOrDefault(causes.get(i).code(), 0.0))
                .toArray());
    }

    public Diagnosis diagnose(Evidence evidence) {
        double[] weighed = weighed(evidence);
        double[] posterior = Bayes.normalised(weighed);
        List<Diagnosis.NextCheck> next = nextChecks(evidence, posterior);
        boolean enough = enough(posterior, next);
        return new Diagnosis(
                suspects(evidence, posterior),
                pairs(evidence, Arrays.stream(weighed).sum()),
                next,
                enough,
                advice(evidence, posterior, next, enough));
    }

    /** Codes of all causes, the likeliest first: a diagnosis without its reasons, in a fraction of the time. */
    public List<String> ranking(Evidence evidence) {
        double[] posterior = posterior(evidence);
        return IntStream.range(0, posterior.length)
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> posterior[i]).reversed())
                .map(i -> causes.get(i).code())
                .toList();
    }

    /** Probability of each single cause, in the order of the knowledge. */
    double[] posterior(Evidence evidence) {
        return Bayes.normalised(weighed(evidence));
    }

    /** Starting odds times the likelihood of all that is known, of each single cause. */
    private double[] weighed(Evidence evidence) {
        return IntStream.range(0, causes.size())
                .mapToDouble(i -> starting[i] * likelihood(evidence, List.of(causes.get(i))))
                .toArray();
    }

    private double likelihood(Evidence evidence, List<Cause> hypothesis) {
        double product = likelihoods.history(evidence.history(), hypothesis);
        for (Symptom s : knowledge.symptoms()) {
            product *= symptom(evidence, s, hypothesis);
        }
        boolean crushed = crushed(evidence);
        FalseFinds falseFinds = FalseFinds.before(odds, evidence);
        for (Evidence.Done done : evidence.checks()) {
            product *= likelihoods.check(
                    knowledge.check(done.check()).orElseThrow(), done.found(), hypothesis, crushed, falseFinds);
            falseFinds = falseFinds.after(done.found());
        }
        return product;
    }

    private double symptom(Evidence evidence, Symptom symptom, List<Cause> hypothesis) {
        if (evidence.symptoms().contains(symptom.code())) {
            return likelihoods.symptom(symptom.code(), hypothesis, evidence.symptoms());
        }
        if (evidence.absent().contains(symptom.code())) {
            return 1 - likelihoods.symptom(symptom.code(), hypothesis, evidence.symptoms());
        }
        return evidence.symptoms().isEmpty() ? 1 : likelihoods.unmentioned(symptom, hypothesis, evidence.symptoms());
    }

    private static boolean crushed(Evidence evidence) {
        return Crush.likely(evidence.symptoms(), evidence.history());
    }

    // ---- what speaks for and against

    private List<Diagnosis.Suspect> suspects(Evidence evidence, double[] posterior) {
        List<Fact> facts = facts(evidence);
        return IntStream.range(0, causes.size())
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> posterior[i]).reversed())
                .map(i -> new Diagnosis.Suspect(
                        causes.get(i).code(),
                        causes.get(i).name(),
                        posterior[i],
                        Stream.concat(facts.stream().map(f -> f.weighed(i, starting)), here(i).stream())
                                .sorted(Comparator.comparingDouble((Diagnosis.Weighed w) -> Math.abs(w.decibans()))
                                        .reversed())
                                .toList()))
                .toList();
    }

    /** A piece of evidence and how likely it is under each cause. */
    private record Fact(String fact, String words, double[] likely, double mean) {

        /** Against all other causes together, each by its starting odds. */
        Diagnosis.Weighed weighed(int cause, double[] starting) {
            double others = (mean - starting[cause] * likely[cause]) / (1 - starting[cause]);
            return new Diagnosis.Weighed(fact, words, Bayes.decibans(likely[cause], others));
        }
    }

    /** How far this shop's own closed failures have moved the odds of a cause, where that is worth saying. */
    private Optional<Diagnosis.Weighed> here(int cause) {
        double moved = Bayes.decibans(starting[cause] / (1 - starting[cause]), shipped[cause] / (1 - shipped[cause]));
        return Math.abs(moved) < WORTH_SAYING_DECIBANS
                ? Optional.empty()
                : Optional.of(new Diagnosis.Weighed(
                        "shop:closed-failures",
                        moved > 0 ? "often the cause in this shop" : "seldom the cause in this shop",
                        moved));
    }

    private List<Fact> facts(Evidence evidence) {
        List<Fact> all = new ArrayList<>();
        evidence.symptoms()
                .forEach(s -> all.add(fact(
                        "symptom:" + s,
                        name(s).toLowerCase(Locale.ROOT),
                        h -> likelihoods.symptom(s, h, evidence.symptoms()))));
        evidence.absent()
                .forEach(s -> all.add(fact(
                        "symptom:" + s,
                        "no " + name(s).toLowerCase(Locale.ROOT),
                        h -> 1 - likelihoods.symptom(s, h, evidence.symptoms()))));
        boolean crushed = crushed(evidence);
        FalseFinds before = FalseFinds.before(odds, evidence);
        for (Evidence.Done done : evidence.checks()) {
            Check check = knowledge.check(done.check()).orElseThrow();
            FalseFinds falseFinds = before;
            all.add(fact(
                    "check:" + done.check(),
                    words(check, done.found()),
                    h -> likelihoods.check(check, done.found(), h, crushed, falseFinds)));
            before = before.after(done.found());
        }
        evidence.history()
                .forEach(f -> all.add(
                        fact("history:" + f, odds.fact(f).orElseThrow().words(), h -> likelihoods.history(f, h))));
        return all;
    }

    private Fact fact(String code, String words, ToDoubleFunction<List<Cause>> likelihood) {
        double[] likely = causes.stream()
                .mapToDouble(c -> likelihood.applyAsDouble(List.of(c)))
                .toArray();
        double mean = IntStream.range(0, likely.length)
                .mapToDouble(i -> starting[i] * likely[i])
                .sum();
        return new Fact(code, words, likely, mean);
    }

    private String name(String symptom) {
        return knowledge.symptom(symptom).map(Symptom::name).orElse(symptom);
    }

    private String words(Check check, List<String> found) {
        return check.name() + ": "
                + (found.isEmpty()
                        ? "nothing found"
                        : found.stream()
                                .map(c -> knowledge.cause(c).map(Cause::name).orElse(c))
                                .collect(Collectors.joining(", ")));
    }

    // ---- pairs

    private List<Diagnosis.Pair> pairs(Evidence evidence, double singles) {
        List<List<String>> listed = knowledge.pairs();
        double[] weights = listed.stream()
                .mapToDouble(pair -> odds.pairShare() * starting[index(pair.get(0))] * likelihood(evidence, both(pair)))
                .toArray();
        double all = singles
                + IntStream.range(0, weights.length)
                        .mapToDouble(i -> weights[i])
                        .sum();
        return IntStream.range(0, weights.length)
                .mapToObj(i -> new Diagnosis.Pair(listed.get(i), weights[i] / all))
                .sorted(Comparator.comparingDouble(Diagnosis.Pair::probability).reversed())
                .toList();
    }

    private List<Cause> both(List<String> pair) {
        return pair.stream().map(c -> knowledge.cause(c).orElseThrow()).toList();
    }

    private int index(String cause) {
        return IntStream.range(0, causes.size())
                .filter(i -> causes.get(i).code().equals(cause))
                .findFirst()
                .orElseThrow();
    }

    // ---- what to do next

    private List<Diagnosis.NextCheck> nextChecks(Evidence evidence, double[] posterior) {
        boolean maySafelyPrint = BEFORE_PRINTING.stream().allMatch(evidence::clean);
        boolean crushed = crushed(evidence);
        FalseFinds falseFinds = evidence.checks().stream()
                .reduce(FalseFinds.before(odds, evidence), (f, done) -> f.after(done.found()), (a, b) -> b);
        return knowledge.checks().stream()
                .filter(c -> !evidence.has(c.code()) && (!c.risky() || maySafelyPrint))
                .map(c -> CheckTable.of(c, causes, likelihoods, crushed, falseFinds)
                        .next(posterior))
                .sorted(Comparator.comparingDouble(Diagnosis.NextCheck::bitsPerMinute)
                        .reversed())
                .toList();
    }

    private static boolean enough(double[] posterior, List<Diagnosis.NextCheck> next) {
        double top = IntStream.range(0, posterior.length)
                .mapToDouble(i -> posterior[i])
                .max()
                .orElse(0);
        double most = next.stream().mapToDouble(Diagnosis.NextCheck::bits).max().orElse(0);
        return top >= LEADS_CLEARLY || top >= LEADS && most < HARDLY_WORTH_IT_BITS;
    }

    private String advice(Evidence evidence, double[] posterior, List<Diagnosis.NextCheck> next, boolean enough) {
        if (evidence.symptoms().isEmpty() && evidence.checks().isEmpty()) {
            return "Nothing has been said yet. Look at the plate and into the vat first, and say what you see; "
                    + "until then these are only the usual odds.";
        }
        if (evidence.symptoms().size() > knowledge.symptoms().size() / 2) {
            return "So many symptoms at once tell little. Keep those that you are sure of; feel the vat floor first.";
        }
        int best = IntStream.range(0, posterior.length)
                .reduce((a, b) -> posterior[b] > posterior[a] ? b : a)
                .orElse(0);
        if (enough) {
            return causes.get(best).name() + " leads clearly: act on it, and let the next good print confirm it.";
        }
        return next.isEmpty()
                ? "Every check has been done; act on what leads."
                : next.get(0).name() + " next: it tells most for its time.";
    }
}
