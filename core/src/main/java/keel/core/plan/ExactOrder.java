package keel.core.plan;

import java.util.Arrays;
import org.hipparchus.util.FastMath;

/** The best order of a few errands: all are tried, but for those that cannot be better than what was found. */
final class ExactOrder {

    static final int MOST = 9;

    private final Errands errands;
    private final Sequence.Objective objective;
    private Timetable best;

    private ExactOrder(Errands errands, Sequence.Objective objective) {
        this.errands = errands;
        this.objective = objective;
        this.best = SearchedOrder.quickly(errands, objective);
    }

    static Timetable of(Errands errands, Sequence.Objective objective) {
        ExactOrder search = new ExactOrder(errands, objective);
        search.from(new Timetable(errands), Double.NEGATIVE_INFINITY);
        return search.best;
    }

    /** Errands are added as they begin, so that each timetable is met once. */
    private void from(Timetable table, double begun) {
        if (table.whole()) {
            best = objective.better(table, best) ? table : best;
            return;
        }
        if (!mayBeBetter(table)) {
            return;
        }
        for (int errand : byWorth()) {
            if (!table.ready(errand)) {
                continue;
            }
            boolean idleTried = false;
            for (int worker = 0; worker < errands.workers; worker++) {
                boolean idle = table.idle(worker);
                double start = table.start(errand, worker);
                if (idle && idleTried || start < begun - Sequence.SAME) {
                    continue;
                }
                idleTried |= idle;
                from(table.with(errand, worker), start);
            }
        }
    }

    private int[] byWorth() {
        Integer[] order = new Integer[errands.size()];
        Arrays.setAll(order, i -> i);
        Arrays.sort(
                order,
                (a, b) -> Double.compare(
                        errands.costPerMinute(b) * errands.get(a).minutes(),
                        errands.costPerMinute(a) * errands.get(b).minutes()));
        return Arrays.stream(order).mapToInt(Integer::intValue).toArray();
    }

    /** Each of the rest ends no earlier than if it were next. */
    private boolean mayBeBetter(Timetable table) {
        double cost = table.cost();
        double free = table.firstFree();
        double latest = table.greatestLateness();
        int late = table.lateCount();
        for (int i = 0; i < errands.size(); i++) {
            if (!table.has(i)) {
                Errand e = errands.get(i);
                double end = FastMath.max(free, e.release()) + e.minutes();
                cost += errands.costPerMinute(i) * end;
                if (e.deadline() != null && end > e.deadline() + Sequence.SAME) {
                    late++;
                    latest = FastMath.max(latest, end - e.deadline());
                }
            }
        }
        double first =
                switch (objective) {
                    case GREATEST_LATENESS -> latest;
                    case LATE_COUNT -> late;
                    case COST -> 0;
                };
        double bestFirst = objective.first(best);
        return first < bestFirst - Sequence.SAME
                || first <= bestFirst + Sequence.SAME && cost < best.cost() - Sequence.SAME;
    }
}
