package keel.core.week;

import java.util.Arrays;
import org.hipparchus.util.FastMath;

/**
 * What an order of jobs on each machine comes to: each begins as soon as its machine is free, its date has come and
 * somebody has the minutes for it and stays for the first look; where nobody may leave a print alone, it also ends
 * while somebody is there. Nothing is pushed into what was fixed.
 */
final class WeekTable {

    private static final double NEVER = Double.POSITIVE_INFINITY;
    private static final double HOUR = 60;
    private static final double LOOK = PlanningFigures.lookMinutes();
    private static final double RESIN = PlanningFigures.resinMinutes();
    private static final double WAIT = PlanningFigures.worth("wait");
    private static final double LATE = PlanningFigures.worth("late");
    private static final double MISSED = PlanningFigures.worth("missed");
    private static final double HANGS = PlanningFigures.worth("hangs");
    private static final double LOST = PlanningFigures.worth("lost");
    private static final double UNSEEN = PlanningFigures.worth("unseen");
    private static final double CHANGE = PlanningFigures.worth("resin");

    final double[] start;
    final double[] prints;
    final double[] end;
    final int[] on;
    final int[] by;
    final boolean[] changed;
    final boolean[] same;
    private final WeekProblem problem;
    private final int[][] order;
    private final int[] nextOf;
    private final int[] fixedOf;
    private final double[] free;
    private final int[] resin;
    private final double[] busy;
    private final int[] candidate;
    private final double[] begins;
    private final int[] hands;
    private double worth;

    private WeekTable(WeekProblem problem, int[][] order) {
        this.problem = problem;
        this.order = order;
        int n = problem.jobs.size();
        int machines = problem.machines();
        start = new double[n];
        prints = new double[n];
        end = new double[n];
        on = new int[n];
        by = new int[n];
        changed = new boolean[n];
        same = new boolean[n];
        Arrays.fill(start, NEVER);
        Arrays.fill(end, NEVER);
        Arrays.fill(on, WeekProblem.NONE);
        nextOf = new int[machines];
        fixedOf = new int[machines];
        free = problem.free.clone();
        resin = problem.resinIn.clone();
        busy = new double[problem.presence.people.size()];
        candidate = new int[machines];
        begins = new double[machines];
        hands = new int[machines];
    }

    /** @param order for each machine, numbers of the jobs in the order in which they go there */
    static WeekTable of(WeekProblem problem, int[][] order) {
        WeekTable table = new WeekTable(problem, order);
        table.fill();
        table.reckon();
        return table;
    }

    /** Good print hours less what waiting, lateness, hanging, losses and changes take of them. */
    double worth() {
        return worth;
    }

    boolean placed(int j) {
        return on[j] != WeekProblem.NONE;
    }

    private void fill() {
        for (int m = 0; m < candidate.length; m++) {
            choose(m);
        }
        while (true) {
            int m = soonest();
            if (m == WeekProblem.NONE) {
                return;
            }
            int person = put(m);
            choose(m);
            for (int k = 0; k < candidate.length; k++) {
                if (k != m && candidate[k] != WeekProblem.NONE && hands[k] == person && begins[k] < busy[person]) {
                    choose(k);
                }
            }
        }
    }

    private int soonest() {
        int best = WeekProblem.NONE;
        for (int m = 0; m < candidate.length; m++) {
            if (candidate[m] != WeekProblem.NONE && (best == WeekProblem.NONE || begins[m] < begins[best])) {
                best = m;
            }
        }
        return best;
    }

    /** What goes on a machine next: the next in its order, unless that would run into what was fixed. */
    private void choose(int m) {
        dropTooLate(m);
        boolean free = nextOf[m] < order[m].length;
        boolean fixed = fixedOf[m] < problem.fixed[m].length;
        candidate[m] = WeekProblem.NONE;
        if (free) {
            take(order[m][nextOf[m]], m);
            free = !fixed || begins[m] + handsFor(candidate[m], m) + problem.printMinutes[candidate[m]][m] <= wish(m);
        }
        if (fixed && !free) {
            take(problem.fixed[m][fixedOf[m]], m);
        }
    }

    /** What can begin only after these days does not hold up what comes after it. */
    private void dropTooLate(int m) {
        while (nextOf[m] < order[m].length && begin(order[m][nextOf[m]], m) >= problem.horizon) {
            nextOf[m]++;
        }
        while (fixedOf[m] < problem.fixed[m].length && begin(problem.fixed[m][fixedOf[m]], m) >= problem.horizon) {
            fixedOf[m]++;
        }
    }

    private void take(int j, int m) {
        candidate[m] = j;
        begins[m] = begin(j, m);
    }

    private double wish(int m) {
        return problem.fixedAt[problem.fixed[m][fixedOf[m]]];
    }

    private boolean changes(int j, int m) {
        return problem.resin[j] != WeekProblem.NONE && problem.resin[j] != resin[m];
    }

    /** An empty vat is filled with the print's own minutes. */
    private double handsFor(int j, int m) {
        boolean emptied = changes(j, m) && resin[m] != WeekProblem.NONE;
        return problem.jobs.get(j).handsMinutes() + (emptied ? RESIN : 0);
    }

    /** The soonest moment at which a job can begin on a machine; also says whose hands. */
    private double begin(int j, int m) {
        double length = problem.printMinutes[j][m];
        double work = handsFor(j, m);
        double stays = work + (length > 0 ? FastMath.min(LOOK, length) : 0);
        double t = FastMath.max(free[m], problem.release[j]);
        t = problem.timed(j) ? FastMath.max(t, problem.fixedAt[j]) : t;
        boolean alone = problem.stands.get(m).night() || length == 0;
        while (true) {
            double best = NEVER;
            for (int k = 0; k < busy.length; k++) {
                double from = problem.presence.hands(k, FastMath.max(t, busy[k]), stays);
                if (from < best) {
                    best = from;
                    hands[m] = k;
                }
            }
            if (best >= problem.horizon || alone) {
                return best;
            }
            t = problem.presence.together(best, work + length);
            if (t <= best) {
                return best;
            }
        }
    }

    private int put(int m) {
        int j = candidate[m];
        int person = hands[m];
        double work = handsFor(j, m);
        on[j] = m;
        by[j] = person;
        changed[j] = changes(j, m) && resin[m] != WeekProblem.NONE;
        same[j] = problem.resin[j] != WeekProblem.NONE && problem.resin[j] == resin[m];
        start[j] = begins[m];
        prints[j] = begins[m] + work;
        end[j] = prints[j] + problem.printMinutes[j][m];
        free[m] = end[j];
        busy[person] = prints[j];
        resin[m] = problem.resin[j] == WeekProblem.NONE ? resin[m] : problem.resin[j];
        if (problem.timed(j)) {
            fixedOf[m]++;
        } else {
            nextOf[m]++;
        }
        return person;
    }

    private void reckon() {
        for (int j = 0; j < on.length; j++) {
            worth += placed(j) ? worthOf(j) : -waits(j, problem.horizon);
        }
    }

    private double worthOf(int j) {
        int m = on[j];
        double inside = FastMath.max(0, FastMath.min(end[j], problem.horizon) - prints[j]) / HOUR;
        double good = problem.success[j][m];
        double upkeep = -(changed[j] ? CHANGE : 0) - waits(j, end[j]);
        if (problem.printMinutes[j][m] == 0) {
            return upkeep;
        }
        double hangs =
                FastMath.min(problem.horizon, problem.presence.next(end[j])) - FastMath.min(problem.horizon, end[j]);
        return good * inside - (1 - good) * (LOST + UNSEEN * unseenHours(j)) - HANGS * hangs / HOUR + upkeep;
    }

    /** Of these days, hours for which it prints while nobody could look in. */
    double unseenHours(int j) {
        return problem.presence.unseen(FastMath.min(problem.horizon, prints[j]), FastMath.min(problem.horizon, end[j]))
                / HOUR;
    }

    private double waits(int j, double until) {
        double late = until - problem.due[j];
        return WAIT * until / HOUR + (late > 0 ? MISSED + LATE * late / HOUR : 0);
    }
}
