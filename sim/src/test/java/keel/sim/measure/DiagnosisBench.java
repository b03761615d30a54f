package keel.sim.measure;

import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Odds;
import keel.core.knowledge.Check;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import keel.sim.history.SimCommand;
import keel.sim.shop.Happening;
import keel.sim.shop.Shop;
import keel.sim.shop.Truth;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.condition.EnabledIfSystemProperty;

/**
 * How good the diagnosis is on simulated shops whose causes are known, beside plain strength points and a fixed order of
 * checks. shop-a is what it may be tuned on; shop-b is for judging only. History facts are not used yet.
 */
@Tag("bench")
class DiagnosisBench {

    private static final double MINUTES = 15;
    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();
    private static final Diagnostician DIAGNOSTICIAN = new Diagnostician(KNOWLEDGE, Odds.shipped(KNOWLEDGE));

    private record Case(Truth truth, Happening.FailureSeen seen) {
        boolean right(String cause) {
            return truth.causes().contains(cause);
        }

        Evidence evidence() {
            return new Evidence(new LinkedHashSet<>(seen.symptoms()), new LinkedHashSet<>(seen.absent()), List.of(), Set.of());
        }
    }

    @Test
    void onTheShopThatItMayBeTunedOn() {
        judge("shop-a", 11);
    }

    /** Only for a last figure: {@code -Djudge}. */
    @Test
    @EnabledIfSystemProperty(named = "judge", matches = ".*")
    void onTheShopThatIsKept() {
        judge("shop-b", 12);
    }

    private void judge(String parameters, long seed) {
        List<Case> cases = cases(parameters, seed);
        System.out.printf("%n%s: %d failures%n", parameters, cases.size());
        System.out.printf("  plain strength points, no check            top-1 %4.1f %%%n", 100 * share(cases, c -> c.right(points(c))));
        System.out.printf("  most common first                          top-1 %4.1f %%%n", 100 * share(cases, c -> c.right("file-unchecked")));
        report("  diagnosis, no check                       ", cases, 0);
        report("  diagnosis, checks for 15 min at the most  ", cases, MINUTES);
        fixed(cases);
    }

    private void report(String what, List<Case> cases, double minutes) {
        int one = 0;
        int three = 0;
        double brier = 0;
        double[] sure = new double[10];
        double[] right = new double[10];
        double[] n = new double[10];
        double[] spent = new double[cases.size()];
        for (int i = 0; i < cases.size(); i++) {
            Case c = cases.get(i);
            Evidence evidence = c.evidence();
            Diagnosis d = DIAGNOSTICIAN.diagnose(evidence);
            while (!d.enough() && !d.nextChecks().isEmpty()) {
                Diagnosis.NextCheck next = affordable(d, minutes - spent[i]);
                if (next == null) {
                    break;
                }
                spent[i] += next.minutes();
                evidence = evidence.and(new Evidence.Done(next.code(), c.truth().checks().get(next.code())));
                d = DIAGNOSTICIAN.diagnose(evidence);
            }
            boolean hit = c.right(d.causes().get(0).code());
            one += hit ? 1 : 0;
            three += d.causes().subList(0, 3).stream().anyMatch(s -> c.right(s.code())) ? 1 : 0;
            for (Diagnosis.Suspect s : d.causes()) {
                double y = c.truth().causes().get(0).equals(s.code()) ? 1 : 0;
                brier += (s.probability() - y) * (s.probability() - y);
            }
            int bin = Math.min(9, (int) (10 * d.causes().get(0).probability()));
            sure[bin] += d.causes().get(0).probability();
            right[bin] += hit ? 1 : 0;
            n[bin]++;
        }
        double error = 0;
        StringBuilder diagram = new StringBuilder();
        for (int b = 0; b < 10; b++) {
            error += Math.abs(sure[b] - right[b]) / cases.size();
            diagram.append(n[b] == 0 ? "   –  " : " %2.0f/%-2.0f".formatted(100 * sure[b] / n[b], 100 * right[b] / n[b]));
        }
        System.out.printf("%s top-1 %4.1f %%  top-3 %4.1f %%  Brier %.3f  ECE %.3f  median %.1f min%n   said/true %s%n", what, 100.0 * one / cases.size(), 100.0 * three / cases.size(),
                brier / cases.size(), error, Arrays.stream(spent).sorted().skip(spent.length / 2).findFirst().orElse(0), diagram);
    }

    private static Diagnosis.NextCheck affordable(Diagnosis d, double left) {
        return d.nextChecks().stream().filter(n -> n.minutes() <= left).findFirst().orElse(null);
    }

    /** The checks in the order in which they stand, the quick ones first, until one finds something. */
    private static void fixed(List<Case> cases) {
        List<Check> order = KNOWLEDGE.checks().stream().filter(c -> !c.risky()).sorted(Comparator.comparingDouble(Check::minutes)).toList();
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
        System.out.printf("  fixed order, quick first, to the first find top-1 %4.1f %%  median %.1f min%n", 100.0 * right / cases.size(),
                Arrays.stream(spent).sorted().skip(spent.length / 2).findFirst().orElse(0));
    }

    private static String points(Case c) {
        return KNOWLEDGE.causes().stream().max(Comparator.comparingInt(x -> c.seen().symptoms().stream().mapToInt(x::strength).sum())).orElseThrow().code();
    }

    private static double share(List<Case> cases, Predicate<Case> right) {
        return (double) cases.stream().filter(right).count() / cases.size();
    }

    private static List<Case> cases(String parameters, long seed) {
        Shop.History history = SimCommand.history(14, 24, 2.2, seed, parameters);
        Map<String, Happening.FailureSeen> seen = new HashMap<>();
        history.happenings().stream().filter(Happening.FailureSeen.class::isInstance).map(Happening.FailureSeen.class::cast).forEach(f -> seen.put(f.key(), f));
        return history.truths().stream().filter(t -> t.failureKey() != null && t.checks().size() == KNOWLEDGE.checks().size())
                .map(t -> new Case(t, seen.get(t.failureKey()))).collect(Collectors.toList());
    }
}
