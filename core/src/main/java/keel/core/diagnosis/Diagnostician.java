package keel.core.diagnosis;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;

/**
 * Judges all that is wrong with a print that failed: each cause is true or not, brings about others, and shows its
 * symptoms; what explains most of what was seen leads. A fact that makes a cause likely which shows nothing of it
 * changes nothing among those that do.
 */
public final class Diagnostician {

    private static final double WORTH_SAYING_DECIBANS = 1;
    private static final double MOSTLY_UNEXPLAINED = 0.5;
    private static final Set<String> BEFORE_PRINTING = Set.of("look-under-vat", "feel-vat");

    private final Knowledge knowledge;
    private final Odds odds;
    private final Stakes stakes;
    private final List<Cause> causes;
    private final double[] shipped;
    private final double[] starting;

    /** With the starting odds alone. */
    public Diagnostician(Knowledge knowledge, Odds odds) {
        this(knowledge, odds, Map.of());
    }

    /** With what the shop has learned, and the money that ships with the product. */
    public Diagnostician(Knowledge knowledge, Odds odds, Map<String, Double> closed) {
        this(knowledge, odds, closed, Stakes.shipped());
    }

    /**
     * With what the shop has learned.
     *
     * @param closed cause code to how many of the shop's own failures closed with it; one counts by its chance
     * @param stakes what things cost here
     */
    public Diagnostician(Knowledge knowledge, Odds odds, Map<String, Double> closed, Stakes stakes) {
        this.knowledge = knowledge;
        this.odds = odds;
        this.stakes = stakes;
        this.causes = knowledge.causes();
        this.shipped =
                Bayes.normalised(causes.stream().mapToDouble(Cause::weight).toArray());
        this.starting = Bayes.normalised(IntStream.range(0, shipped.length)
                .mapToDouble(i -> odds.learnedFrom() * shipped[i]
                        + closed.getOrDefault(causes.get(i).code(), 0.0))
                .toArray());
    }

    /** All that follows from the evidence, put together once. */
    private record Judged(Case of, Network network, double[] present, TrueSets sets, Responsibility shares) {

        static Judged of(Case of, Set<String> harmful) {
            Network network = of.network();
            boolean exact = network.findings() <= Network.MOST_FINDINGS;
            Network.Part part = network.part(of.wanted(harmful));
            TrueSets sets = (exact
                            ? TrueSets.of(part.network(), part.network().known())
                            : TrueSets.mostly(part.network()))
                    .called(part.causes());
            double[] present = exact ? network.known().present() : sets.present(network.causes());
            boolean[] counts = new boolean[of.findings().size()];
            for (int s = 0; s < counts.length; s++) {
                counts[s] = of.findings().get(s).counts();
            }
            return new Judged(of, network, present, sets, Responsibility.of(network, sets, counts));
        }
    }

    public Diagnosis diagnose(Evidence evidence) {
        Judged judged = judge(evidence);
        Harms harms = new Harms(knowledge, evidence, stakes, judged.of().crushed(), judged.present());
        List<Diagnosis.AlsoLookAt> looks = harms.toLookAt();
        List<Diagnosis.NextCheck> could = checks(evidence, judged, harms);
        List<Diagnosis.NextCheck> next =
                could.stream().filter(n -> n.savesPerMinute() > 0).toList();
        boolean said = !evidence.symptoms().isEmpty() || !evidence.checks().isEmpty();
        boolean enough = said && next.isEmpty() && looks.isEmpty();
        return new Diagnosis(
                suspects(judged),
                pairs(judged),
                next,
                could.subList(next.size(), could.size()),
                looks,
                enough,
                judged.shares().leaked(),
                judged.sets().share(),
                advice(evidence, judged, next, looks));
    }

    private Judged judge(Evidence evidence) {
        return Judged.of(new Case(knowledge, odds, starting, evidence), stakes.harmful());
    }

    /** Codes of all causes, the likeliest first: a diagnosis without its reasons, in a fraction of the time. */
    public List<String> ranking(Evidence evidence) {
        Judged judged = judge(evidence);
        return order(judged).map(i -> causes.get(i).code()).toList();
    }

    /** By what they explain, and where two explain nothing by their chance. */
    private Stream<Integer> order(Judged judged) {
        return IntStream.range(0, causes.size())
                .boxed()
                .sorted(Comparator.comparingDouble(
                                (Integer i) -> judged.shares().began()[i])
                        .thenComparingDouble(i -> judged.present()[i])
                        .reversed());
    }

    // ---- what speaks for and against

    private List<Diagnosis.Suspect> suspects(Judged judged) {
        return order(judged)
                .map(i -> new Diagnosis.Suspect(
                        causes.get(i).code(),
                        causes.get(i).name(),
                        judged.shares().began()[i],
                        judged.present()[i],
                        judged.shares().direct()[i] * (1 - judged.shares().leaked()),
                        explains(judged, i),
                        weighed(judged, i)))
                .toList();
    }

    private static Map<String, Double> explains(Judged judged, int cause) {
        Map<String, Double> explains = new LinkedHashMap<>();
        List<Case.Finding> findings = judged.of().findings();
        for (int s = 0; s < findings.size(); s++) {
            double share = judged.shares().explains()[cause][s];
            String fact = findings.get(s).fact();
            if (share > 0 && fact.startsWith("symptom:")) {
                explains.put(fact.substring("symptom:".length()), share);
            }
        }
        return explains;
    }

    private List<Diagnosis.Weighed> weighed(Judged judged, int cause) {
        List<Diagnosis.Weighed> all = new ArrayList<>();
        for (Case.Finding f : judged.of().findings()) {
            if (!f.fact().equals("failure")) {
                all.add(new Diagnosis.Weighed(f.fact(), f.words(), shown(judged, f, cause)));
            }
        }
        for (Case.Fact f : judged.of().facts()) {
            all.add(new Diagnosis.Weighed(f.fact(), f.words(), Bayes.decibans(f.ratios()[cause], 1)));
        }
        here(cause).ifPresent(all::add);
        all.sort(Comparator.comparingDouble((Diagnosis.Weighed w) -> Math.abs(w.decibans()))
                .reversed());
        return all;
    }

    /** How much likelier a finding is with this cause than without it, the others as likely as they are. */
    private static double shown(Judged judged, Case.Finding f, int cause) {
        double without = 1 - f.leak();
        for (int j = 0; j < f.shows().length; j++) {
            without *= j == cause ? 1 : 1 - f.shows()[j] * judged.present()[j];
        }
        double seldom = 1 - without;
        double often = 1 - without * (1 - f.shows()[cause]);
        return seldom <= 0 ? 0 : Bayes.decibans(often, seldom);
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

    // ---- pairs

    private List<Diagnosis.Pair> pairs(Judged judged) {
        return knowledge.pairs().stream()
                .map(pair -> new Diagnosis.Pair(pair, together(judged, index(pair.get(0)), index(pair.get(1)))))
                .sorted(Comparator.comparingDouble(Diagnosis.Pair::probability).reversed())
                .toList();
    }

    /** Where both show nothing of it, what leads to the other is enough. */
    private static double together(Judged judged, int first, int second) {
        double seen = judged.sets().together(first, second);
        double leads = judged.network().into(second).stream()
                .filter(e -> e.from() == first)
                .mapToDouble(Network.Edge::chance)
                .sum();
        return seen > 0 ? seen : judged.present()[first] * Math.max(leads, judged.present()[second]);
    }

    private int index(String cause) {
        return IntStream.range(0, causes.size())
                .filter(i -> causes.get(i).code().equals(cause))
                .findFirst()
                .orElseThrow();
    }

    // ---- what to do next

    /** All that may be done, what is worth most for its time first. */
    private List<Diagnosis.NextCheck> checks(Evidence evidence, Judged judged, Harms harms) {
        boolean maySafelyPrint = BEFORE_PRINTING.stream().allMatch(evidence::clean);
        boolean mayLight = !harms.mayBeWet();
        Looks looks = new Looks(odds, evidence, judged.of().crushed());
        Worth worth = new Worth(judged.sets(), causes, judged.of().matters(), stakes);
        return knowledge.checks().stream()
                .filter(c -> !evidence.has(c.code()) && (!c.risky() || maySafelyPrint) && (!c.lights() || mayLight))
                .map(c -> next(c, judged, looks, worth))
                .sorted(Comparator.comparingDouble(Diagnosis.NextCheck::savesPerMinute)
                        .reversed())
                .toList();
    }

    private Diagnosis.NextCheck next(Check c, Judged judged, Looks looks, Worth worth) {
        Worth.Brings brings = c.answers() == Check.Answer.SIDE
                ? worth.sides(judged.of().saysMachine(c), judged.of().leak(c))
                : worth.naming(c, looks);
        return new Diagnosis.NextCheck(
                c.code(),
                c.name(),
                c.minutes(),
                brings.bits(),
                brings.bits() / c.minutes(),
                (brings.money() - stakes.cost(c.code(), c.minutes())) / c.minutes());
    }

    private String advice(
            Evidence evidence, Judged judged, List<Diagnosis.NextCheck> next, List<Diagnosis.AlsoLookAt> looks) {
        if (evidence.symptoms().isEmpty() && evidence.checks().isEmpty()) {
            return "Nothing has been said yet. Look at the plate and into the vat first, and say what you see; "
                    + "until then these are only the usual odds.";
        }
        if (evidence.symptoms().size() > knowledge.symptoms().size() / 2) {
            return "So many symptoms at once tell little. Keep those that you are sure of; feel the vat floor first.";
        }
        if (!next.isEmpty()) {
            return next.get(0).name() + " next: it is worth most for its time.";
        }
        int best = order(judged).findFirst().orElse(0);
        List<String> besides = looks.stream()
                .filter(l -> !l.code().equals(causes.get(best).code()))
                .map(l -> l.name().toLowerCase(Locale.ROOT))
                .toList();
        String also = besides.isEmpty()
                ? ""
                : " Before anything prints, look for this too: " + String.join(", ", besides) + ".";
        if (judged.shares().leaked() > MOSTLY_UNEXPLAINED) {
            return "Nothing known explains this: look again at what was seen, and say what else there is." + also;
        }
        return causes.get(best).name() + " explains it best, and no check is worth its time any more: act on it, and "
                + "let the next good print confirm it." + also;
    }
}
