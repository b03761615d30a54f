package keel.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;

/**
 * In which order errands are done by one or several people so that what waits costs least.
 *
 * <p>Nothing is interrupted; an errand begins once it can be begun, its worker has walked there, and all that it comes
 * after is done. One may walk ahead of the moment from which it can be begun; before a worker's first errand and to or
 * from an errand without a place there is no walk. What waits costs from minute 0 until the errand is done.
 *
 * @param order ids as they begin
 * @param startMin minute at which each begins, by its id
 * @param cost what all that waits costs
 * @param lateMin minutes by which those that miss their deadline miss it, by their ids
 * @param lowerBound less than that it cannot cost in any order
 * @param proven whether no order is better
 */
public record Sequence(
        List<String> order,
        Map<String, Double> startMin,
        double cost,
        Map<String, Double> lateMin,
        double lowerBound,
        boolean proven) {

    static final double SAME = 1e-9;

    /** What is to be as small as can be. */
    public enum Objective {
        /** The greatest lateness, never below 0; among the best of them the cost. */
        GREATEST_LATENESS,
        /** How many are late; among the best of them the cost. */
        LATE_COUNT,
        COST;

        /** Less is better; cost decides where it is the same. */
        double first(Timetable table) {
            return switch (this) {
                case GREATEST_LATENESS -> table.greatestLateness();
                case LATE_COUNT -> table.lateCount();
                case COST -> 0;
            };
        }

        /** Whether one is better than another. */
        boolean better(Timetable one, Timetable other) {
            double a = first(one);
            double b = first(other);
            return a < b - SAME || a <= b + SAME && one.cost() < other.cost() - SAME;
        }
    }

    /**
     * @param unlockCosts what an hour of waiting costs until all is done that unlocks it
     * @param change minutes to walk between two places
     * @throws IllegalArgumentException in words, where errands wait for each other in a circle, or for one that is not
     *     there
     */
    public static Sequence of(
            List<Errand> list, Map<String, Double> unlockCosts, int workers, double change, Objective objective) {
        Errands errands = new Errands(list, workers, change, unlockCosts);
        double bound = BusyDates.cost(errands);
        boolean few = list.size() <= ExactOrder.MOST;
        Timetable best = few ? ExactOrder.of(errands, objective) : SearchedOrder.of(errands, objective);
        boolean atBound = objective.first(best) <= SAME && best.cost() <= bound * (1 + SAME) + SAME;
        return told(errands, best, bound, few || atBound || smith(errands, objective));
    }

    /** Cost a minute by minutes is the best order where nothing else counts (Smith 1956). */
    private static boolean smith(Errands errands, Objective objective) {
        boolean free = errands.workers == 1
                && errands.unlockCosts.length == 0
                && (objective == Objective.COST || !errands.anyDeadline());
        return free
                && errands.list.stream()
                        .allMatch(e -> e.release() <= 0 && e.after().isEmpty())
                && !walks(errands);
    }

    private static boolean walks(Errands errands) {
        return errands.change > 0
                && errands.list.stream()
                                .map(Errand::place)
                                .filter(p -> p != null)
                                .distinct()
                                .count()
                        > 1;
    }

    private static Sequence told(Errands errands, Timetable table, double bound, boolean proven) {
        List<Integer> order =
                new ArrayList<>(IntStream.range(0, errands.size()).boxed().toList());
        order.sort(Comparator.<Integer>comparingDouble(table::startOf).thenComparingDouble(table::endOf));
        Map<String, Double> starts = new LinkedHashMap<>();
        Map<String, Double> late = new LinkedHashMap<>();
        for (int i : order) {
            Errand e = errands.get(i);
            starts.put(e.id(), table.startOf(i));
            if (e.deadline() != null && table.endOf(i) > e.deadline() + SAME) {
                late.put(e.id(), table.endOf(i) - e.deadline());
            }
        }
        return new Sequence(
                order.stream().map(i -> errands.get(i).id()).toList(), starts, table.cost(), late, bound, proven);
    }
}
