package keel.core.week;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;

/**
 * A week: which job goes on which machine when, and what cannot be.
 *
 * @param slots in the order in which somebody goes to them
 * @param left what finds no place in these days, with what would have to give
 * @param goodHours print hours inside these days that are expected to come out
 * @param worth the same less what waiting, lateness, losses and changes take of it, h
 */
public record WeekPlan(Instant at, List<Slot> slots, List<Left> left, double goodHours, double worth) {

    /** About a second of work for sixty jobs on twelve machines. */
    public static final int TRIES = 20_000;

    /** After an event, beside the plan that was shown. */
    public static final int AGAIN = 6_000;

    /** Just enough to put in what is new. */
    public static final int GLANCE = 800;

    private static final double HOUR = 60;
    private static final double BETTER = 0.03;
    private static final double SHORT_HOURS = 1;

    /** Why a job stands where it stands. */
    public enum Why {
        FIXED,
        ONLY_MACHINE,
        SAME_RESIN,
        NEW_RESIN,
        COMES_OUT_BEST,
        ENDS_SEEN,
        ENDS_UNSEEN,
        PRINTS_UNSEEN,
        IN_TIME,
        LATE,
        NOT_AS_WISHED
    }

    /** What has to give so that a job finds a place. */
    public enum Gives {
        NO_MACHINE,
        NOBODY_THERE,
        NOBODY_LONG_ENOUGH,
        NO_TIME
    }

    /**
     * A job on a machine.
     *
     * @param person whose hands begin it
     * @param startAt when these go to it, {@code printsFrom} when it prints, {@code endAt} when that should be done
     * @param seenAt when somebody is there after its end; null where nobody is in these days
     * @param unseenHours for which it prints while nobody could look in
     * @param success chance that it comes out there
     * @param soonest for one that is late: when it would be done if all else waited
     */
    public record Slot(
            String id,
            String machine,
            String person,
            Instant startAt,
            Instant printsFrom,
            Instant endAt,
            @Nullable Instant seenAt,
            double unseenHours,
            double success,
            List<Why> why,
            @Nullable Instant soonest) {}

    /** @param soonest when it would be done if all else waited; null where that helps nothing */
    public record Left(String id, Gives gives, @Nullable Instant soonest) {}

    /** Where a job was shown last. */
    public record Shown(String id, String machine, Instant startAt) {}

    /**
     * What is asked for.
     *
     * @param shown the plan that was shown last, in any order; empty where there was none
     * @param tries how long to search, orders
     */
    public record Asked(
            Instant at,
            int days,
            List<WorkHours.Shift> shifts,
            List<Wanted> jobs,
            List<Stand> stands,
            List<Shown> shown,
            int tries) {}

    /** @throws IllegalArgumentException if two jobs or two machines have the same name */
    public static WeekPlan of(Asked asked) {
        distinct(asked.jobs().stream().map(Wanted::id).toList());
        distinct(asked.stands().stream().map(Stand::machine).toList());
        WeekProblem problem = new WeekProblem(
                asked.at(), asked.days(), Presence.of(asked.at(), asked.shifts()), asked.jobs(), asked.stands());
        int[][] known = asked.shown().isEmpty() ? null : known(problem, asked.shown());
        int[][] order = new WeekSearch(problem).find(known, asked.tries());
        return told(problem, WeekTable.of(problem, order));
    }

    private static void distinct(List<String> names) {
        if (names.stream().distinct().count() < names.size()) {
            throw new IllegalArgumentException("Two of the same name.");
        }
    }

    private static int[][] known(WeekProblem problem, List<Shown> shown) {
        int[][] order = new int[problem.machines()][];
        List<Shown> inTime =
                shown.stream().sorted(Comparator.comparing(Shown::startAt)).toList();
        for (int m = 0; m < order.length; m++) {
            int here = m;
            String machine = problem.stands.get(m).machine();
            order[m] = inTime.stream()
                    .filter(s -> s.machine().equals(machine))
                    .mapToInt(s -> number(problem, s.id()))
                    .filter(j -> j != WeekProblem.NONE && problem.possible(j, here) && !problem.timed(j))
                    .toArray();
        }
        return order;
    }

    private static int number(WeekProblem problem, String id) {
        return IntStream.range(0, problem.jobs.size())
                .filter(j -> problem.jobs.get(j).id().equals(id))
                .findFirst()
                .orElse(WeekProblem.NONE);
    }

    private static WeekPlan told(WeekProblem problem, WeekTable table) {
        List<Slot> slots = new ArrayList<>();
        List<Left> left = new ArrayList<>();
        double good = 0;
        for (int j = 0; j < problem.jobs.size(); j++) {
            if (table.placed(j)) {
                slots.add(slot(problem, table, j));
                double inside = Math.max(0, Math.min(table.end[j], problem.horizon) - table.prints[j]);
                good += problem.success[j][table.on[j]] * inside / HOUR;
            } else {
                left.add(left(problem, j));
            }
        }
        slots.sort(Comparator.comparing(Slot::startAt).thenComparing(Slot::machine));
        return new WeekPlan(problem.at, List.copyOf(slots), List.copyOf(left), good, table.worth());
    }

    private static Slot slot(WeekProblem problem, WeekTable table, int j) {
        int m = table.on[j];
        double seen = problem.presence.next(table.end[j]);
        boolean late = table.end[j] > problem.due[j];
        return new Slot(
                problem.jobs.get(j).id(),
                problem.stands.get(m).machine(),
                problem.presence.people.get(table.by[j]),
                problem.time(table.start[j]),
                problem.time(table.prints[j]),
                problem.time(table.end[j]),
                Double.isInfinite(seen) ? null : problem.time(seen),
                table.unseenHours(j),
                problem.success[j][m],
                why(problem, table, j),
                late ? soonest(problem, j) : null);
    }

    private static List<Why> why(WeekProblem problem, WeekTable table, int j) {
        int m = table.on[j];
        List<Why> why = new ArrayList<>();
        double[] there = IntStream.range(0, problem.machines())
                .filter(k -> problem.possible(j, k))
                .mapToDouble(k -> problem.success[j][k])
                .toArray();
        boolean print = problem.printMinutes[j][m] > 0;
        add(why, problem.fixedOn[j] != WeekProblem.NONE, Why.FIXED);
        add(why, problem.timed(j) && table.start[j] > problem.fixedAt[j] + 1, Why.NOT_AS_WISHED);
        add(why, problem.fixedOn[j] == WeekProblem.NONE && there.length == 1, Why.ONLY_MACHINE);
        add(why, table.changed[j], Why.NEW_RESIN);
        add(why, table.same[j], Why.SAME_RESIN);
        double best = Arrays.stream(there).max().orElse(0);
        double worst = Arrays.stream(there).min().orElse(0);
        add(why, print && problem.success[j][m] >= best && best - worst > BETTER, Why.COMES_OUT_BEST);
        boolean seen = problem.presence.open(table.end[j]);
        add(why, print, seen ? Why.ENDS_SEEN : Why.ENDS_UNSEEN);
        add(why, print && table.unseenHours(j) >= SHORT_HOURS, Why.PRINTS_UNSEEN);
        boolean dated = !Double.isInfinite(problem.due[j]);
        add(why, dated, table.end[j] > problem.due[j] ? Why.LATE : Why.IN_TIME);
        return List.copyOf(why);
    }

    private static void add(List<Why> why, boolean so, Why one) {
        if (so) {
            why.add(one);
        }
    }

    private static Left left(WeekProblem problem, int j) {
        String id = problem.jobs.get(j).id();
        if (!problem.anywhere(j)) {
            return new Left(id, Gives.NO_MACHINE, null);
        }
        if (problem.presence.longest() == 0) {
            return new Left(id, Gives.NOBODY_THERE, null);
        }
        Instant soonest = soonest(problem, j);
        return new Left(id, soonest == null ? Gives.NOBODY_LONG_ENOUGH : Gives.NO_TIME, soonest);
    }

    /** When it would be done if only what is fixed came before it. */
    private static @Nullable Instant soonest(WeekProblem problem, int j) {
        double best = Double.POSITIVE_INFINITY;
        for (int m = 0; m < problem.machines(); m++) {
            if (problem.possible(j, m)) {
                int[][] alone = new int[problem.machines()][0];
                alone[m] = problem.timed(j) ? alone[m] : new int[] {j};
                best = Math.min(best, WeekTable.of(problem, alone).end[j]);
            }
        }
        return Double.isInfinite(best) ? null : problem.time(best);
    }
}
