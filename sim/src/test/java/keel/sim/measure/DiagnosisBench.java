package keel.sim.measure;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Odds;
import keel.core.diagnosis.Stakes;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * How good the diagnosis is on simulated shops whose causes are known, beside a fixed order of checks, the most common
 * cause first, plain strength points, and on request a classifier as a bound. shop-a is what it may be tuned on; shop-b
 * and shop-c are for judging only ({@code -Djudge}). The reliability diagram is written to
 * {@code target/reliability-<shop>.svg}.
 */
@Tag("bench")
class DiagnosisBench {

    private static final double MINUTES = 15;
    /** Failures after which the shop reckons its own odds anew. */
    private static final int LEARNS_EVERY = 25;

    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();
    private static final Odds ODDS = Odds.shipped(KNOWLEDGE);

    private static final Stakes STAKES = Stakes.shipped();

    @Test
    void onTheShopThatItMayBeTunedOn() throws IOException {
        judge("shop-a", 11);
    }

    /** Only for a last figure: {@code ./keel bench diagnosis -Djudge=shop-c}; {@code -Dbound=50000} for the bound. */
    @Test
    @EnabledIfSystemProperty(named = "judge", matches = "shop-[bc]")
    void onTheShopThatIsKept() throws IOException {
        judge(System.getProperty("judge"), 13);
    }

    private static void judge(String shop, long seed) throws IOException {
        List<Cases.Case> cases = Cases.of(shop, seed);
        System.out.printf("%n%s: %d failures%n", shop, cases.size());
        System.out.printf("  (a) fixed order, the quick ones first      %s%n", fixed(cases));
        System.out.printf(
                "  (b) most common first                      top-1 %4.1f %%%n",
                100 * share(cases, c -> c.right(mostCommon(cases))));
        System.out.printf(
                "  (c) plain strength points, no check        top-1 %4.1f %%%n",
                100 * share(cases, c -> c.right(points(c))));
        Diagnostician fresh = new Diagnostician(KNOWLEDGE, ODDS);
        List<Looked> looked = all(fresh, cases);
        Reliability before = Reliability.of(cases, looked, Looked::unlooked);
        Reliability after = Reliability.of(cases, looked, Looked::told);
        System.out.printf("  diagnosis, no check                        %s%n", before);
        System.out.printf("  diagnosis, checks for 15 min at the most   %s%n", after);
        System.out.printf("    what that costs: %s%n", losses(cases, looked));
        bound(shop, seed, cases, looked, fresh);
        List<Looked> learned = new Learner().all(cases);
        Reliability learnedBefore = Reliability.of(cases, learned, Looked::unlooked);
        Reliability learnedAfter = Reliability.of(cases, learned, Looked::told);
        System.out.printf("  the same, learning from what was closed    %s%n", learnedBefore);
        System.out.printf("                                             %s%n", learnedAfter);
        System.out.printf("    what that costs: %s%n", losses(cases, learned));
        Files.writeString(
                Path.of("target", "reliability-" + shop + ".svg"),
                Reliability.svg(Map.of("before any check", learnedBefore, "after checks", learnedAfter)));
    }

    private static List<Looked> all(Diagnostician desk, List<Cases.Case> cases) {
        return cases.parallelStream().map(c -> look(desk, c)).toList();
    }

    private static Losses losses(List<Cases.Case> cases, List<Looked> looked) {
        Losses losses = new Losses(KNOWLEDGE, STAKES);
        for (int i = 0; i < cases.size(); i++) {
            Diagnosis d = looked.get(i).told().diagnosis();
            losses.add(
                    cases.get(i),
                    looked.get(i).evidence().checks(),
                    d.causes().get(0).code(),
                    d.alsoLookAt().stream().map(Diagnosis.AlsoLookAt::code).collect(Collectors.toSet()));
        }
        return losses;
    }

    /** Trained on other years of the same shop, told the same before any check and after the desk's own checks. */
    private static void bound(String shop, long seed, List<Cases.Case> cases, List<Looked> looked, Diagnostician desk) {
        int wanted = Integer.getInteger("bound", 0);
        if (wanted == 0) {
            return;
        }
        List<Cases.Case> seen = new ArrayList<>();
        for (long year = 1; seen.size() < wanted; year++) {
            seen.addAll(Cases.of(shop, 1000 * seed + year));
        }
        Bound unlooked = Bound.of(seen, Cases.Case::evidence);
        System.out.printf(
                "  (d) bound, trained on %d failures: no check top-1 %4.1f %%, top-3 %4.1f %%%n",
                seen.size(),
                100 * unlooked.within(1, cases, Cases.Case::evidence),
                100 * unlooked.within(3, cases, Cases.Case::evidence));
        Map<Cases.Case, Evidence> known = new IdentityHashMap<>();
        List<Looked> then = all(desk, seen);
        for (int i = 0; i < seen.size(); i++) {
            known.put(seen.get(i), then.get(i).evidence());
        }
        for (int i = 0; i < cases.size(); i++) {
            known.put(cases.get(i), looked.get(i).evidence());
        }
        Bound after = Bound.of(seen, known::get);
        System.out.printf(
                "      the same after the desk's checks: top-1 %4.1f %%, top-3 %4.1f %%%n",
                100 * after.within(1, cases, known::get), 100 * after.within(3, cases, known::get));
    }

    /**
     * A shop that learns as it goes: what the desk names counts, by its chance, once a later good print has shown that
     * it was right.
     */
    private static final class Learner {
        private final Map<String, Double> closed = new HashMap<>();
        private Diagnostician now = new Diagnostician(KNOWLEDGE, ODDS);

        List<Looked> all(List<Cases.Case> cases) {
            List<Looked> looked = new ArrayList<>();
            for (Cases.Case c : cases) {
                Looked one = look(now, c);
                looked.add(one);
                Diagnosis.Suspect top = one.told().diagnosis().causes().get(0);
                if (c.right(top.code())) {
                    closed.merge(top.code(), top.probability(), Double::sum);
                }
                if (looked.size() % LEARNS_EVERY == 0) {
                    now = new Diagnostician(KNOWLEDGE, ODDS, closed);
                }
            }
            return looked;
        }
    }

    /** What the desk says before it looks, what it knows in the end, and what it says then. */
    private record Looked(Reliability.Told unlooked, Evidence evidence, Reliability.Told told) {}

    private static Looked look(Diagnostician diagnostician, Cases.Case c) {
        Evidence evidence = c.evidence();
        double spent = 0;
        Diagnosis first = diagnostician.diagnose(evidence);
        Diagnosis d = first;
        while (!d.enough()) {
            double left = MINUTES - spent;
            Diagnosis.NextCheck next = d.nextChecks().stream()
                    .filter(n -> n.minutes() <= left)
                    .findFirst()
                    .orElse(null);
            if (next == null) {
                break;
            }
            spent += next.minutes();
            evidence = evidence.and(
                    new Evidence.Done(next.code(), c.truth().checks().get(next.code())));
            d = diagnostician.diagnose(evidence);
        }
        return new Looked(new Reliability.Told(first, 0), evidence, new Reliability.Told(d, spent));
    }

    /** The checks in the order of their minutes, until one finds something. */
    private static String fixed(List<Cases.Case> cases) {
        List<Check> order = KNOWLEDGE.checks().stream()
                .filter(c -> !c.risky())
                .sorted(Comparator.comparingDouble(Check::minutes))
                .toList();
        Losses losses = new Losses(KNOWLEDGE, STAKES);
        double[] spent = new double[cases.size()];
        int right = 0;
        for (int i = 0; i < cases.size(); i++) {
            List<Evidence.Done> done = new ArrayList<>();
            String named = "";
            for (Check check : order) {
                spent[i] += check.minutes();
                List<String> found = cases.get(i).truth().checks().get(check.code());
                done.add(new Evidence.Done(check.code(), found));
                if (!found.isEmpty()) {
                    named = found.get(0);
                    break;
                }
            }
            right += cases.get(i).right(named) ? 1 : 0;
            losses.add(cases.get(i), done, named, Set.of());
        }
        Arrays.sort(spent);
        return "top-1 %4.1f %%  median %.0f min%n    what that costs: %s"
                .formatted(100.0 * right / cases.size(), spent[spent.length / 2], losses);
    }

    private static String mostCommon(List<Cases.Case> cases) {
        Map<String, Integer> counts = new HashMap<>();
        cases.forEach(c -> counts.merge(c.truth().causes().get(0), 1, Integer::sum));
        return counts.entrySet().stream()
                .max(Map.Entry.comparingByValue())
                .orElseThrow()
                .getKey();
    }

    private static String points(Cases.Case c) {
        return KNOWLEDGE.causes().stream()
                .max(Comparator.comparingInt(x ->
                        c.evidence().symptoms().stream().mapToInt(x::strength).sum()))
                .orElseThrow()
                .code();
    }

    private static double share(List<Cases.Case> cases, Predicate<Cases.Case> right) {
        return (double) cases.stream().filter(right).count() / cases.size();
    }
}
