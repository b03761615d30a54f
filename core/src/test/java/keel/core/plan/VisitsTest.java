package keel.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import keel.core.plan.Visits.Task;
import org.junit.jupiter.api.Test;

/** Grouping of upkeep (Wildeman, Dekker and Smit 1997): a worked example, and all sets of days on small cases. */
class VisitsTest {

    private static final List<Task> FIVE = List.of(
            new Task("A", 2, 1, 4),
            new Task("B", 3, 8, 0.2),
            new Task("C", 5, 0.2, 8),
            new Task("D", 6, 3, 3),
            new Task("E", 9, 1, 1));

    @Test
    void whatIsDoneTogetherNeedNotLieTogether() {
        Visits v = Visits.of(6, FIVE);
        assertThat(v.visits())
                .containsExactly(new Visits.Visit(2, List.of("A", "C")), new Visits.Visit(6, List.of("B", "D", "E")));
        assertThat(v.cost()).isCloseTo(16.2, within(1e-9));
        assertThat(v.alone()).isEqualTo(30);
    }

    @Test
    void visitsThatCostNothingAreMadeOnTheBestDays() {
        Visits v = Visits.of(0, FIVE);
        assertThat(v.cost()).isZero();
        assertThat(v.visits()).extracting(Visits.Visit::day).containsExactly(2, 3, 5, 6, 9);
    }

    @Test
    void oneVisitWhereVisitsAreDear() {
        assertThat(Visits.of(1e6, FIVE).visits()).hasSize(1);
        assertThat(Visits.of(5, List.of())).isEqualTo(new Visits(List.of(), 0, 0));
    }

    /** Of two ways that cost the same the one with fewer visits, then the earlier day. */
    @Test
    void tiesGoToFewerVisitsAndToTheEarlierDay() {
        Visits v = Visits.of(2, List.of(new Task("A", 3, 1, 1), new Task("B", 5, 1, 1)));
        assertThat(v.visits()).containsExactly(new Visits.Visit(3, List.of("A", "B")));
        assertThat(v.cost()).isEqualTo(4);
    }

    @Test
    void noSetOfDaysIsCheaper() {
        Random random = new Random(11);
        for (int k = 0; k < 60; k++) {
            List<Task> tasks = new ArrayList<>();
            for (int i = 0; i < 5; i++) {
                tasks.add(new Task("t" + i, random.nextInt(9), random.nextInt(5), random.nextInt(5)));
            }
            double visitCost = random.nextInt(8);
            assertThat(Visits.of(visitCost, tasks).cost()).isCloseTo(cheapest(tasks, visitCost), within(1e-9));
        }
    }

    private static double cheapest(List<Task> tasks, double visitCost) {
        double best = Double.POSITIVE_INFINITY;
        for (int set = 1; set < 1 << 9; set++) {
            int days = set;
            double cost = visitCost * Integer.bitCount(set);
            for (Task t : tasks) {
                cost += IntStream.range(0, 9)
                        .filter(d -> (days >> d & 1) == 1)
                        .mapToDouble(t::on)
                        .min()
                        .orElseThrow();
            }
            best = Math.min(best, cost);
        }
        return best;
    }
}
