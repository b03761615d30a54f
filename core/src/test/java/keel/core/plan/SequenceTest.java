package keel.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import keel.core.plan.Sequence.Objective;
import org.junit.jupiter.api.Test;

/**
 * Against the theorems of Smith (1956), Jackson (1955) and Moore (1968), and against a brute force that tries every
 * order and every worker by itself.
 */
class SequenceTest {

    private static Errand errand(String id, double minutes, double cost) {
        return new Errand(id, minutes, cost);
    }

    private static Errand due(String id, double minutes, double cost, double deadline) {
        return new Errand(id, minutes, cost, 0, deadline, null, Set.of(), null);
    }

    private static Sequence of(List<Errand> list, int workers, double change, Objective objective) {
        return Sequence.of(list, Map.of(), workers, change, objective);
    }

    @Test
    void nothingIsDoneAtOnce() {
        Sequence none = of(List.of(), 2, 3, Objective.COST);
        assertThat(none.order()).isEmpty();
        assertThat(none.cost()).isZero();
        assertThat(none.proven()).isTrue();
    }

    /** Costs an hour by minutes: b 6, c 2, a 1; 60 an hour is one a minute. */
    @Test
    void theDearestAMinuteComesFirst() {
        Sequence s = of(List.of(errand("a", 20, 20), errand("b", 10, 60), errand("c", 30, 60)), 1, 0, Objective.COST);
        assertThat(s.order()).containsExactly("b", "c", "a");
        assertThat(s.startMin())
                .containsEntry("b", 0.0)
                .containsEntry("c", 10.0)
                .containsEntry("a", 40.0);
        assertThat(s.cost()).isCloseTo(10 + 40 + 20.0 / 60 * 60, within(1e-9));
        assertThat(s.lowerBound()).isCloseTo(s.cost(), within(1e-9));
    }

    @Test
    void manyErrandsWithoutMoreAreSmiths() {
        Random random = new Random(3);
        List<Errand> many = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            many.add(errand("e" + i, 1 + random.nextInt(50), random.nextInt(90)));
        }
        Sequence s = of(many, 1, 0, Objective.GREATEST_LATENESS);
        List<Errand> smith = many.stream()
                .sorted(Comparator.comparingDouble(e -> -e.costPerHour() / e.minutes()))
                .toList();
        double end = 0;
        double cost = 0;
        for (Errand e : smith) {
            end += e.minutes();
            cost += e.costPerHour() / 60 * end;
        }
        assertThat(s.cost()).isCloseTo(cost, within(1e-6));
        assertThat(s.proven()).isTrue();
        assertThat(s.lowerBound()).as("the bound is reached").isCloseTo(cost, within(1e-6));
    }

    @Test
    void theEarliestDeadlineFirstIsLeastLate() {
        Random random = new Random(4);
        for (int round = 0; round < 5; round++) {
            List<Errand> list = new ArrayList<>();
            for (int i = 0; i < 25; i++) {
                list.add(due("e" + i, 1 + random.nextInt(20), random.nextInt(9), 20 + random.nextInt(250)));
            }
            double end = 0;
            double latest = 0;
            for (Errand e :
                    list.stream().sorted(Comparator.comparing(Errand::deadline)).toList()) {
                end += e.minutes();
                latest = Math.max(latest, end - e.deadline());
            }
            Sequence s = of(list, 1, 0, Objective.GREATEST_LATENESS);
            assertThat(s.lateMin().values().stream().mapToDouble(l -> l).max().orElse(0))
                    .as("round " + round)
                    .isCloseTo(latest, within(1e-9));
        }
    }

    /** Moore's worked example, from memory: four jobs, one must be late. */
    @Test
    void moorePutsOffTheLongest() {
        List<Errand> list = List.of(due("a", 10, 1, 15), due("b", 3, 1, 6), due("c", 4, 1, 9), due("d", 8, 1, 23));
        Sequence s = of(list, 1, 0, Objective.LATE_COUNT);
        assertThat(s.lateMin()).hasSize(1);
    }

    @Test
    void whatSeveralUnlockIsCountedOnceAndBlocksGoByTheirWhole() {
        List<Errand> list = List.of(
                new Errand("a1", 10, 0, 0, null, null, Set.of(), "A"),
                new Errand("a2", 10, 0, 0, null, null, Set.of(), "A"),
                new Errand("b", 15, 0, 0, null, null, Set.of(), "B"));
        Sequence s = Sequence.of(list, Map.of("A", 60.0, "B", 40.0), 1, 0, Objective.COST);
        assertThat(s.order().get(2)).as("60 in 20 minutes before 40 in 15").isEqualTo("b");
        assertThat(s.cost()).isCloseTo(20 + 35 * 40.0 / 60, within(1e-9));
    }

    @Test
    void theWalkIsMadeWhileOneWaits() {
        Errand near = new Errand("near", 10, 60, 0, null, "long room", Set.of(), null);
        Errand far = new Errand("far", 10, 60, 14, null, "annexe", Set.of(), null);
        Sequence s = of(List.of(near, far), 1, 4, Objective.COST);
        assertThat(s.startMin()).containsEntry("near", 0.0).containsEntry("far", 14.0);
        Errand anywhere = new Errand("anywhere", 5, 600, 0, null, null, Set.of(), null);
        Sequence with = of(List.of(near, anywhere), 1, 4, Objective.COST);
        assertThat(with.startMin().get("near"))
                .as("no walk from where it makes no difference")
                .isEqualTo(5);
    }

    @Test
    void aCircleAndAnErrandThatIsNotThereAreNamed() {
        Errand a = new Errand("a", 1, 1, 0, null, null, Set.of("b"), null);
        Errand b = new Errand("b", 1, 1, 0, null, null, Set.of("a"), null);
        assertThatIllegalArgumentException()
                .isThrownBy(() -> of(List.of(a, b), 1, 0, Objective.COST))
                .withMessageContaining("for itself");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> of(List.of(a), 1, 0, Objective.COST))
                .withMessageContaining("not among them");
    }

    private static final String[] PLACES = {"long room", "annexe", null};

    private static List<Errand> random(Random random, int n) {
        List<Errand> list = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Double deadline = random.nextInt(3) == 0 ? Double.valueOf(10 + random.nextInt(80)) : null;
            Set<String> after = i > 0 && random.nextInt(4) == 0 ? Set.of("e" + random.nextInt(i)) : Set.of();
            list.add(new Errand(
                    "e" + i,
                    random.nextInt(25),
                    random.nextInt(60),
                    random.nextInt(3) == 0 ? random.nextInt(40) : 0,
                    deadline,
                    PLACES[random.nextInt(3)],
                    after,
                    random.nextInt(3) == 0 ? "U" + random.nextInt(2) : null));
        }
        return list;
    }

    @Test
    void noOrderOfAFewIsBetter() {
        Random random = new Random(8);
        for (int round = 0; round < 40; round++) {
            int workers = 1 + random.nextInt(2);
            List<Errand> list = random(random, 3 + random.nextInt(workers == 1 ? 5 : 3));
            Map<String, Double> unlocks = Map.of("U0", 30.0, "U1", 50.0);
            for (Objective objective : Objective.values()) {
                Sequence s = Sequence.of(list, unlocks, workers, 4, objective);
                double[] best = new Brute(list, unlocks, workers, 4, objective).best();
                assertThat(first(s, objective))
                        .as("round " + round + " " + objective)
                        .isCloseTo(best[0], within(1e-9));
                assertThat(s.cost()).as("round " + round + " " + objective).isCloseTo(best[1], within(1e-6));
                assertThat(s.lowerBound()).isLessThanOrEqualTo(best[1] + 1e-9);
                assertThat(s.proven()).isTrue();
            }
        }
    }

    private static double first(Sequence s, Objective objective) {
        return switch (objective) {
            case GREATEST_LATENESS ->
                s.lateMin().values().stream().mapToDouble(l -> l).max().orElse(0);
            case LATE_COUNT -> s.lateMin().size();
            case COST -> 0;
        };
    }

    /** Every order given to every worker, begun as early as can be. */
    private record Brute(
            List<Errand> list, Map<String, Double> unlocks, int workers, double change, Objective objective) {

        double[] best() {
            double[] best = {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
            next(new ArrayList<>(), new ArrayList<>(), best);
            return best;
        }

        private void next(List<Integer> order, List<Integer> by, double[] best) {
            if (order.size() == list.size()) {
                double[] one = value(order, by);
                if (one[0] < best[0] - 1e-9 || one[0] <= best[0] + 1e-9 && one[1] < best[1]) {
                    best[0] = one[0];
                    best[1] = one[1];
                }
                return;
            }
            for (int i = 0; i < list.size(); i++) {
                if (order.contains(i)
                        || !order.stream()
                                .map(k -> list.get(k).id())
                                .toList()
                                .containsAll(list.get(i).after())) {
                    continue;
                }
                for (int w = 0; w < workers; w++) {
                    order.add(i);
                    by.add(w);
                    next(order, by, best);
                    order.remove(order.size() - 1);
                    by.remove(by.size() - 1);
                }
            }
        }

        private double[] value(List<Integer> order, List<Integer> by) {
            double[] free = new double[workers];
            String[] at = new String[workers];
            boolean[] begun = new boolean[workers];
            Map<String, Double> ends = new HashMap<>();
            Map<String, Double> unlocked = new HashMap<>();
            double cost = 0;
            double latest = 0;
            int late = 0;
            for (int n = 0; n < order.size(); n++) {
                Errand e = list.get(order.get(n));
                int w = by.get(n);
                boolean walk = begun[w] && at[w] != null && e.place() != null && !at[w].equals(e.place());
                double start = Math.max(e.release(), free[w] + (walk ? change : 0));
                for (String before : e.after()) {
                    start = Math.max(start, ends.get(before));
                }
                double end = start + e.minutes();
                free[w] = end;
                at[w] = e.place();
                begun[w] = true;
                ends.put(e.id(), end);
                cost += e.costPerHour() / 60 * end;
                if (e.unlocks() != null) {
                    unlocked.merge(e.unlocks(), end, Math::max);
                }
                if (e.deadline() != null && end > e.deadline() + 1e-9) {
                    late++;
                    latest = Math.max(latest, end - e.deadline());
                }
            }
            for (Map.Entry<String, Double> u : unlocked.entrySet()) {
                cost += unlocks.get(u.getKey()) / 60 * u.getValue();
            }
            return new double[] {
                switch (objective) {
                    case GREATEST_LATENESS -> latest;
                    case LATE_COUNT -> late;
                    case COST -> 0;
                },
                cost
            };
        }
    }

    @Test
    void manyAreNoWorseThanInAnySimpleOrderAndNotBelowTheBound() {
        Random random = new Random(9);
        for (int round = 0; round < 3; round++) {
            List<Errand> list = random(random, 30);
            Map<String, Double> unlocks = Map.of("U0", 30.0, "U1", 50.0);
            for (int workers = 1; workers <= 3; workers++) {
                Errands errands = new Errands(list, workers, 4, unlocks);
                Sequence s = Sequence.of(list, unlocks, workers, 4, Objective.COST);
                assertThat(s.cost())
                        .isLessThanOrEqualTo(
                                SearchedOrder.quickly(errands, Objective.COST).cost() + 1e-9)
                        .isGreaterThanOrEqualTo(s.lowerBound() - 1e-9);
                for (Errand e : list) {
                    for (String before : e.after()) {
                        double end = s.startMin().get(before)
                                + list.stream()
                                        .filter(o -> o.id().equals(before))
                                        .findFirst()
                                        .orElseThrow()
                                        .minutes();
                        assertThat(s.startMin().get(e.id())).isGreaterThanOrEqualTo(end - 1e-9);
                    }
                    assertThat(s.startMin().get(e.id())).isGreaterThanOrEqualTo(e.release());
                }
            }
        }
    }
}
