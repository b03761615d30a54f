package keel.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * Upkeep put together into visits: each task has a best day and penalties a day for earlier or later, each visit a
 * cost of its own. The cheapest set of days, exactly; what is done together need not lie together.
 *
 * <p>Source: R. Wildeman, R. Dekker and A. Smit, European Journal of Operational Research 99 (1997).
 *
 * @param visits in the order of their days
 * @param cost of the visits and of what is too early or too late
 * @param alone cost of a visit for each task on its best day
 */
public record Visits(List<Visit> visits, double cost, double alone) {

    private static final double SAME = 1e-9;

    /**
     * A task.
     *
     * @param bestDay in days from now, whole, 0 or more
     * @param earlyPerDay penalty for each day before it, {@code latePerDay} for each after it
     */
    public record Task(String id, int bestDay, double earlyPerDay, double latePerDay) {

        double on(int day) {
            return day < bestDay ? earlyPerDay * (bestDay - day) : latePerDay * (day - bestDay);
        }
    }

    /** A day with what is done on it. */
    public record Visit(int day, List<String> ids) {}

    /** The cheapest way up to a day on which there is a visit: its cost, its number of visits, the visit before. */
    private record Way(double cost, int visits, int before) {

        boolean betterThan(Way other) {
            return cost < other.cost - SAME || cost <= other.cost + SAME && visits < other.visits;
        }
    }

    /** @param visitCost of a visit, whatever is done on it */
    public static Visits of(double visitCost, List<Task> tasks) {
        if (tasks.isEmpty()) {
            return new Visits(List.of(), 0, 0);
        }
        int[] days = IntStream.concat(IntStream.of(0), tasks.stream().mapToInt(Task::bestDay))
                .distinct()
                .sorted()
                .toArray();
        Way[] ways = new Way[days.length];
        for (int v = 0; v < days.length; v++) {
            ways[v] = new Way(visitCost + between(tasks, null, days[v]), 1, -1);
            for (int u = 0; u < v; u++) {
                Way way =
                        new Way(ways[u].cost() + visitCost + between(tasks, days[u], days[v]), ways[u].visits() + 1, u);
                ways[v] = way.betterThan(ways[v]) ? way : ways[v];
            }
        }
        int last = -1;
        Way best = new Way(Double.POSITIVE_INFINITY, 0, -1);
        for (int v = 0; v < days.length; v++) {
            Way whole = new Way(ways[v].cost() + between(tasks, days[v], null), ways[v].visits(), v);
            if (whole.betterThan(best)) {
                best = whole;
                last = v;
            }
        }
        return new Visits(visits(tasks, days, ways, last), best.cost(), visitCost * tasks.size());
    }

    /** Penalties of the tasks whose best day lies between two visits; null for none before or none after. */
    private static double between(List<Task> tasks, @Nullable Integer from, @Nullable Integer to) {
        double sum = 0;
        for (Task t : tasks) {
            if ((from == null || t.bestDay() > from) && (to == null || t.bestDay() < to)) {
                double early = from == null ? Double.POSITIVE_INFINITY : t.on(from);
                double late = to == null ? Double.POSITIVE_INFINITY : t.on(to);
                sum += Math.min(early, late);
            }
        }
        return sum;
    }

    private static List<Visit> visits(List<Task> tasks, int[] days, Way[] ways, int last) {
        List<Integer> on = new ArrayList<>();
        for (int v = last; v >= 0; v = ways[v].before()) {
            on.add(0, days[v]);
        }
        List<Visit> visits = new ArrayList<>();
        for (int day : on) {
            visits.add(new Visit(
                    day,
                    tasks.stream()
                            .filter(t -> dayOf(t, on) == day)
                            .map(Task::id)
                            .toList()));
        }
        return visits;
    }

    /** The earlier of two days that cost the same. */
    private static int dayOf(Task task, List<Integer> days) {
        return days.stream()
                .min(Comparator.comparingDouble((Integer d) -> task.on(d)).thenComparing(d -> d))
                .orElseThrow();
    }
}
