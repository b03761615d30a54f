package keel.sim.measure;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Odds;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * How good the diagnosis is on simulated shops whose causes are known, beside a fixed order of checks, the most common
 * cause first and plain strength points. shop-a is what it may be tuned on; shop-b is for judging only
 * ({@code -Djudge}). The reliability diagram is written to {@code target/reliability-<shop>.svg}.
 */
@Tag("bench")
class DiagnosisBench {

    private static final double MINUTES = 15;
    /** Failures after which the shop reckons its own odds anew. */
    private static final int LEARNS_EVERY = 25;

    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();
    private static final Odds ODDS = Odds.shipped(KNOWLEDGE);

    @Test
    void onTheShopThatItMayBeTunedOn() throws IOException {
        judge("shop-a", 11);
    }

    /** Only for a last figure: {@code ./keel bench diagnosis -Djudge=yes}. */
    @Test
    @EnabledIfSystemProperty(named = "judge", matches = ".+")
    void onTheShopThatIsKept() throws IOException {
        judge("shop-b", 12);
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
        Reliability before = Reliability.of(cases, c -> new Reliability.Told(fresh.diagnose(c.evidence()), 0));
        Reliability after = Reliability.of(cases, c -> look(fresh, c));
        System.out.printf("  diagnosis, no check                        %s%n", before);
        System.out.printf("  diagnosis, checks for 15 min at the most   %s%n", after);
        Learner learner = new Learner();
        Reliability learned = Reliability.of(cases, learner::told);
        Iterator<Reliability.Told> unlooked = learner.unlooked.iterator();
        Reliability learnedBefore = Reliability.of(cases, c -> unlooked.next());
        System.out.printf("  the same, learning from what was closed    %s%n", learnedBefore);
        System.out.printf("                                             %s%n", learned);
        Files.writeString(
                Path.of("target", "reliability-" + shop + ".svg"),
                Reliability.svg(Map.of("before any check", learnedBefore, "after checks", learned)));
    }

    /**
     * A shop that learns as it goes: what the desk names counts once a later good print has shown that it was right.
     */
    private static final class Learner {
        private final Map<String, Double> closed = new HashMap<>();
        private final List<Reliability.Told> unlooked = new ArrayList<>();
        private Diagnostician now = new Diagnostician(KNOWLEDGE, ODDS);

        Reliability.Told told(Cases.Case c) {
            unlooked.add(new Reliability.Told(now.diagnose(c.evidence()), 0));
            Reliability.Told told = look(now, c);
            String top = told.diagnosis().causes().get(0).code();
            if (c.right(top)) {
                closed.merge(top, 1.0, Double::sum);
            }
            if (unlooked.size() % LEARNS_EVERY == 0) {
                now = new Diagnostician(KNOWLEDGE, ODDS, closed);
            }
            return told;
        }
    }

    private static Reliability.Told look(Diagnostician diagnostician, Cases.Case c) {
        Evidence evidence = c.evidence();
        double spent = 0;
        Diagnosis d = diagnostician.diagnose(evidence);
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
        return new Reliability.Told(d, spent);
    }

    /** The checks in the order of their minutes, until one finds something. */
    private static String fixed(List<Cases.Case> cases) {
        List<Check> order = KNOWLEDGE.checks().stream()
                .filter(c -> !c.risky())
                .sorted(Comparator.comparingDouble(Check::minutes))
                .toList();
        double[] spent = new double[cases.size()];
        int right = 0;
        for (int i = 0; i < cases.size(); i++) {
            for (Check check : order) {
                spent[i] += check.minutes();
                List<String> found = cases.get(i).truth().checks().get(check.code());
                if (!found.isEmpty()) {
                    right += cases.get(i).right(found.get(0)) ? 1 : 0;
                    break;
                }
            }
        }
        return "top-1 %4.1f %%  median %.0f min"
                .formatted(
                        100.0 * right / cases.size(),
                        Arrays.stream(spent)
                                .sorted()
                                .skip(spent.length / 2)
                                .findFirst()
                                .orElse(0));
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
