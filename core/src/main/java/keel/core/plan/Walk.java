package keel.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.hipparchus.util.FastMath;

/**
 * What is best done on one walk through the shop, in which order, and what waits for the next. What is not done costs
 * until then; deadlines are kept as well as can be before cost counts; an order that somebody has seen changes only
 * where that saves enough.
 *
 * @param order ids of what is done, as they begin
 * @param startMin minute at which each of them begins, by its id
 * @param left ids of what waits for the next visit, in no order
 * @param cost what all of it costs until it is done
 */
public record Walk(List<String> order, Map<String, Double> startMin, List<String> left, double cost) {

    /** An order that was shown changes only where that saves so much; common practice, no source. */
    private static final double WORTH_CHANGING = 0.02;

    /** About a twentieth of a second's work; a few errands are through with less. */
    private static final int STEPS = 1_000_000;

    private static final int STEPS_A_PAIR = 4_000;

    /**
     * How long there is.
     *
     * @param until minute at which it ends, infinite where nobody said
     * @param next minute at which what is put off is done
     */
    public record Hours(double until, double next) {

        public static final Hours OPEN = new Hours(Double.POSITIVE_INFINITY, 0);
    }

    /**
     * @param unlockCosts what an hour of waiting costs until all is done that unlocks it
     * @param change minutes to walk between two places
     * @param shown ids in the order in which they were shown last, gone ones and missing ones passed over
     * @throws IllegalArgumentException in words, where errands wait for each other in a circle, or for one that is not
     *     there
     */
    public static Walk of(
            List<Errand> list,
            Map<String, Double> unlockCosts,
            int workers,
            double change,
            Hours hours,
            List<String> shown) {
        Errands errands = new Errands(list, workers, change, unlockCosts, hours.until(), hours.next());
        int[] known = known(list, shown);
        Timetable before = Timetable.of(errands, SearchedOrder.possible(errands, known));
        Sequence.Objective objective =
                errands.anyDeadline() ? Sequence.Objective.GREATEST_LATENESS : Sequence.Objective.COST;
        Timetable best = SearchedOrder.of(errands, objective, known, steps(list.size()));
        return told(errands, knownAll(list, shown) && !worthChanging(objective, best, before) ? before : best);
    }

    private static int steps(int errands) {
        return (int) FastMath.min(STEPS, (double) STEPS_A_PAIR * errands * errands);
    }

    private static boolean worthChanging(Sequence.Objective objective, Timetable best, Timetable shown) {
        return objective.first(best) < objective.first(shown) - Sequence.SAME
                || best.cost() <= shown.cost() * (1 - WORTH_CHANGING);
    }

    private static boolean knownAll(List<Errand> list, List<String> shown) {
        return shown.containsAll(list.stream().map(Errand::id).toList());
    }

    /** As they were shown; new ones in front of the first that is less worth its minutes. */
    private static int[] known(List<Errand> list, List<String> shown) {
        Map<String, Integer> places = new HashMap<>();
        shown.forEach(id -> places.putIfAbsent(id, places.size()));
        List<Integer> order = new ArrayList<>(IntStream.range(0, list.size())
                .filter(i -> places.containsKey(list.get(i).id()))
                .boxed()
                .sorted(Comparator.comparing(i -> places.get(list.get(i).id())))
                .toList());
        for (int i = 0; i < list.size(); i++) {
            if (!places.containsKey(list.get(i).id())) {
                int at = 0;
                while (at < order.size() && worth(list.get(order.get(at))) >= worth(list.get(i))) {
                    at++;
                }
                order.add(at, i);
            }
        }
        return order.stream().mapToInt(Integer::intValue).toArray();
    }

    private static double worth(Errand e) {
        return e.costPerHour() / FastMath.max(e.minutes(), Sequence.SAME);
    }

    private static Walk told(Errands errands, Timetable table) {
        List<Integer> order = new ArrayList<>(IntStream.range(0, errands.size())
                .filter(table::onThisVisit)
                .boxed()
                .toList());
        order.sort(Comparator.<Integer>comparingDouble(table::startOf).thenComparingDouble(table::endOf));
        Map<String, Double> starts = new LinkedHashMap<>();
        order.forEach(i -> starts.put(errands.get(i).id(), table.startOf(i)));
        return new Walk(
                List.copyOf(starts.keySet()),
                starts,
                IntStream.range(0, errands.size())
                        .filter(i -> !table.onThisVisit(i))
                        .mapToObj(i -> errands.get(i).id())
                        .toList(),
                table.cost());
    }
}
