package keel.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** Against a brute force that tries every set and every order of it. */
class WalkTest {

    private static final double NEXT = 240;

    private static Errand at(String id, double minutes, double cost, String place, String unlocks) {
        return new Errand(id, minutes, cost, 0, null, place, Set.of(), unlocks);
    }

    private static Walk of(List<Errand> list, double change, Walk.Hours hours, List<String> shown) {
        return Walk.of(list, Map.of(), 1, change, hours, shown);
    }

    /** What all of it costs where these are done in this order and the rest at the next visit. */
    private static double cost(List<Errand> list, List<Errand> done, Map<String, Double> unlocks, double change) {
        double now = 0;
        double cost = 0;
        Errand last = null;
        Map<String, Double> open = new HashMap<>();
        for (Errand e : done) {
            now += last == null || last.place().equals(e.place()) ? 0 : change;
            now += e.minutes();
            cost += e.costPerHour() / 60 * now;
            if (e.unlocks() != null) {
                open.merge(e.unlocks(), now, Math::max);
            }
            last = e;
        }
        for (Errand e : list) {
            if (!done.contains(e)) {
                cost += e.costPerHour() / 60 * NEXT;
                if (e.unlocks() != null) {
                    open.put(e.unlocks(), NEXT);
                }
            }
        }
        for (Map.Entry<String, Double> o : open.entrySet()) {
            cost += unlocks.getOrDefault(o.getKey(), 0.0) / 60 * o.getValue();
        }
        return cost;
    }

    private static double least(
            List<Errand> list, List<Errand> done, Map<String, Double> unlocks, double change, double until) {
        double now = 0;
        Errand last = null;
        for (Errand e : done) {
            now += (last == null || last.place().equals(e.place()) ? 0 : change) + e.minutes();
            last = e;
        }
        if (now > until) {
            return Double.POSITIVE_INFINITY;
        }
        double best = cost(list, done, unlocks, change);
        for (Errand e : list) {
            if (!done.contains(e)) {
                List<Errand> more = new ArrayList<>(done);
                more.add(e);
                best = Math.min(best, least(list, more, unlocks, change, until));
            }
        }
        return best;
    }

    @Test
    void theBestSetForTheMinutesIsDone() {
        Random random = new Random(7);
        for (int n = 0; n < 60; n++) {
            List<Errand> list = new ArrayList<>();
            for (int i = 0; i < 6; i++) {
                String machine = random.nextInt(3) == 0 ? "m" + random.nextInt(2) : null;
                list.add(at("e" + i, 1 + random.nextInt(30), random.nextInt(20), "r" + random.nextInt(2), machine));
            }
            Map<String, Double> unlocks = Map.of("m0", 10.0 * random.nextDouble(), "m1", 3.0);
            double until = 20 + random.nextInt(50);
            Walk walk = Walk.of(list, unlocks, 1, 3, new Walk.Hours(until, NEXT), List.of());
            assertThat(walk.cost()).isCloseTo(least(list, List.of(), unlocks, 3, until), within(1e-6));
            assertThat(walk.order().size() + walk.left().size()).isEqualTo(6);
        }
    }

    /** A long one that is worth more than each of two short ones, but not more than both. */
    @Test
    void twoShortOnesGoBeforeALongOneThatIsWorthMore() {
        List<Errand> list =
                List.of(at("long", 25, 12, "a", null), at("one", 12, 8, "a", null), at("two", 12, 8, "a", null));
        Walk walk = of(list, 0, new Walk.Hours(25, NEXT), List.of());
        assertThat(walk.order()).containsExactlyInAnyOrder("one", "two");
        assertThat(walk.left()).containsExactly("long");
    }

    @Test
    void halfOfWhatHoldsAMachineSavesNothing() {
        List<Errand> list =
                List.of(at("clean", 10, 0, "a", "m"), at("level", 20, 0, "a", "m"), at("stir", 9, 0.5, "a", null));
        Walk walk = Walk.of(list, Map.of("m", 60.0), 1, 0, new Walk.Hours(20, NEXT), List.of());
        assertThat(walk.order()).contains("stir");
        assertThat(walk.cost()).isCloseTo(60.0 / 60 * NEXT + 0.5 / 60 * 9, within(1e-9));
    }

    @Test
    void whatWasShownStaysWhereChangingItSavesLittle() {
        List<Errand> list = List.of(at("a", 10, 10, "r", null), at("b", 10, 10.1, "r", null));
        assertThat(of(list, 0, Walk.Hours.OPEN, List.of()).order()).containsExactly("b", "a");
        assertThat(of(list, 0, Walk.Hours.OPEN, List.of("a", "b")).order()).containsExactly("a", "b");
        List<Errand> urgent = List.of(at("a", 10, 10, "r", null), at("b", 10, 60, "r", null));
        assertThat(of(urgent, 0, Walk.Hours.OPEN, List.of("a", "b")).order()).containsExactly("b", "a");
    }

    @Test
    void somethingNewDoesNotShuffleTheRest() {
        List<Errand> list =
                List.of(at("a", 10, 10, "r", null), at("b", 10, 10.1, "r", null), at("c", 5, 10.05, "r", null));
        List<String> order =
                of(list, 0, Walk.Hours.OPEN, List.of("a", "b", "gone")).order();
        assertThat(order).contains("a", "b", "c");
        assertThat(order.indexOf("c")).isZero();
    }

    @Test
    void aDeadlineComesBeforeCost() {
        List<Errand> list =
                List.of(at("dear", 30, 100, "r", null), new Errand("due", 10, 0.1, 0, 20.0, "r", Set.of(), null));
        assertThat(of(list, 0, Walk.Hours.OPEN, List.of()).order()).containsExactly("due", "dear");
    }

    @Test
    void noMinutesMeanThatAllWaits() {
        Walk none = of(List.of(at("a", 10, 10, "r", null)), 0, new Walk.Hours(0, NEXT), List.of());
        assertThat(none.order()).isEmpty();
        assertThat(none.left()).containsExactly("a");
        assertThat(none.cost()).isCloseTo(10.0 / 60 * NEXT, within(1e-9));
    }
}
