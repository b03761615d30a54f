package keel.core.plan;

import java.util.Arrays;
import org.hipparchus.util.FastMath;

/** Who does what from when, as it is filled up errand by errand; each is begun as early as its worker can. */
final class Timetable {

    private final Errands errands;
    private final double[] starts;
    private final boolean[] done;
    private final double[] free;
    private final int[] last;
    private final double[] unlocked;
    private double cost;
    private double latest;
    private int late;
    private int placed;

    Timetable(Errands errands) {
        this.errands = errands;
        this.starts = new double[errands.size()];
        this.done = new boolean[errands.size()];
        this.free = new double[errands.workers];
        this.last = new int[errands.workers];
        Arrays.fill(last, -1);
        this.unlocked = new double[errands.unlockCosts.length];
    }

    private Timetable(Timetable of) {
        this.errands = of.errands;
        this.starts = of.starts.clone();
        this.done = of.done.clone();
        this.free = of.free.clone();
        this.last = of.last.clone();
        this.unlocked = of.unlocked.clone();
        this.cost = of.cost;
        this.latest = of.latest;
        this.late = of.late;
        this.placed = of.placed;
    }

    /** All of them in this order, each by whoever can begin it first; what does not end in time is put off. */
    static Timetable of(Errands errands, int[] order) {
        Timetable table = new Timetable(errands);
        for (int errand : order) {
            int worker = table.soonest(errand);
            if (table.fits(errand, worker)) {
                table.add(errand, worker);
            } else {
                table.putOff(errand);
            }
        }
        return table;
    }

    private boolean fits(int errand, int worker) {
        Errand e = errands.get(errand);
        return start(errand, worker) + e.minutes() + e.tail() <= errands.until + Sequence.SAME;
    }

    /** It waits for the next visit, and all that comes after it. */
    private void putOff(int errand) {
        starts[errand] = Double.POSITIVE_INFINITY;
        done[errand] = true;
        placed++;
        wait(errand, errands.next);
        late(errand, errands.next);
    }

    /** Whether it is done on this visit. */
    boolean onThisVisit(int errand) {
        return !Double.isInfinite(starts[errand]);
    }

    Timetable with(int errand, int worker) {
        Timetable more = new Timetable(this);
        more.add(errand, worker);
        return more;
    }

    private int soonest(int errand) {
        int best = 0;
        for (int w = 1; w < free.length; w++) {
            double gain = start(errand, best) - start(errand, w);
            if (gain > 0 || gain == 0 && free[w] > free[best]) {
                best = w;
            }
        }
        return best;
    }

    double start(int errand, int worker) {
        double start = FastMath.max(errands.get(errand).release(), free[worker] + errands.walk(last[worker], errand));
        for (int before : errands.after[errand]) {
            start = FastMath.max(start, starts[before] + errands.get(before).minutes());
        }
        return start;
    }

    private void add(int errand, int worker) {
        Errand e = errands.get(errand);
        double start = start(errand, worker);
        double end = start + e.minutes();
        starts[errand] = start;
        done[errand] = true;
        free[worker] = end;
        last[worker] = errand;
        placed++;
        wait(errand, end);
        late(errand, end);
    }

    private void late(int errand, double end) {
        Double deadline = errands.get(errand).deadline();
        if (deadline != null && end > deadline + Sequence.SAME) {
            late++;
            latest = FastMath.max(latest, end - deadline);
        }
    }

    /** What it costs that it, and what it unlocks, wait until then. */
    private void wait(int errand, double end) {
        cost += errands.costPerMinute(errand) * end;
        int code = errands.unlocks[errand];
        if (code >= 0 && end > unlocked[code]) {
            cost += errands.unlockCostPerMinute(code) * (end - unlocked[code]);
            unlocked[code] = end;
        }
    }

    boolean has(int errand) {
        return done[errand];
    }

    boolean ready(int errand) {
        return !done[errand] && errands.ready(errand, done);
    }

    boolean whole() {
        return placed == starts.length;
    }

    /** Whether a worker has not begun anything yet. */
    boolean idle(int worker) {
        return last[worker] < 0;
    }

    double startOf(int errand) {
        return starts[errand];
    }

    double endOf(int errand) {
        return starts[errand] + errands.get(errand).minutes();
    }

    double firstFree() {
        return Arrays.stream(free).min().orElse(0);
    }

    double cost() {
        return cost;
    }

    /** By how much the latest misses its deadline, 0 where none does. */
    double greatestLateness() {
        return latest;
    }

    int lateCount() {
        return late;
    }
}
