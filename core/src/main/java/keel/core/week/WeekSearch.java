package keel.core.week;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * A good order of the jobs on the machines: put in one by one where each does best, then moved and exchanged, taking
 * also what is worse than now as long as it is better than some tries ago (late acceptance; Burke and Bykov, European
 * Journal of Operational Research 258, 2017). The same week gives the same order.
 */
final class WeekSearch {

    private static final int HISTORY = 60;
    private static final long SEED = 29;
    private static final double SAME = 1e-9;

    private final WeekProblem problem;
    private final Random random = new Random(SEED);

    WeekSearch(WeekProblem problem) {
        this.problem = problem;
    }

    /**
     * @param known orders shown before, null for none; jobs that are not in them are put where they do best
     * @param tries how many orders are tried; with few, only beside what is known
     */
    int[][] find(int @Nullable [][] known, int tries) {
        if (known == null) {
            return better(inserted(empty(), byDate()), tries);
        }
        int[][] kept = inserted(known, missing(known));
        int[][] mended = better(kept, tries / 2);
        int[][] anew = tries < WeekPlan.AGAIN ? kept : better(inserted(empty(), byDate()), tries / 2);
        int[][] best = worth(mended) >= worth(anew) ? mended : anew;
        double stays = worth(kept);
        return worth(best) > stays + PlanningFigures.stays() * Math.abs(stays) ? best : kept;
    }

    private double worth(int[][] order) {
        return WeekTable.of(problem, order).worth();
    }

    private int[][] empty() {
        return new int[problem.machines()][0];
    }

    /** Those with the nearest date first, of these the longest. */
    private List<Integer> byDate() {
        Comparator<Integer> date = Comparator.comparingDouble(j -> problem.due[j]);
        return free().sorted(date.thenComparing(j -> -longest(j)).thenComparing(Comparator.naturalOrder()))
                .toList();
    }

    private double longest(int j) {
        return Arrays.stream(problem.printMinutes[j])
                .filter(h -> !Double.isNaN(h))
                .max()
                .orElse(0);
    }

    private Stream<Integer> free() {
        return IntStream.range(0, problem.jobs.size())
                .filter(j -> !problem.timed(j) && problem.anywhere(j))
                .boxed();
    }

    private List<Integer> missing(int[][] known) {
        List<Integer> there =
                Arrays.stream(known).flatMapToInt(Arrays::stream).boxed().toList();
        return byDate().stream().filter(j -> !there.contains(j)).toList();
    }

    private int[][] inserted(int[][] into, List<Integer> jobs) {
        int[][] order = into;
        for (int j : jobs) {
            int[][] best = null;
            double most = Double.NEGATIVE_INFINITY;
            for (int m = 0; m < order.length; m++) {
                for (int at = 0; problem.possible(j, m) && at <= order[m].length; at++) {
                    int[][] tried = with(order, m, at, j);
                    double worth = worth(tried);
                    if (worth > most + SAME) {
                        most = worth;
                        best = tried;
                    }
                }
            }
            order = best == null ? order : best;
        }
        return order;
    }

    private int[][] better(int[][] from, int tries) {
        List<Integer> jobs = free().toList();
        if (jobs.isEmpty()) {
            return from;
        }
        int[][] now = from;
        double worth = worth(now);
        int[][] best = now;
        double most = worth;
        double[] before = new double[HISTORY];
        Arrays.fill(before, worth);
        for (int n = 0; n < tries; n++) {
            int[][] tried = random.nextInt(3) == 0 ? swapped(now, jobs) : moved(now, jobs);
            if (tried == null) {
                continue;
            }
            double other = worth(tried);
            if (other >= worth - SAME || other >= before[n % HISTORY]) {
                now = tried;
                worth = other;
            }
            before[n % HISTORY] = Math.max(before[n % HISTORY], worth);
            if (worth > most + SAME) {
                best = now;
                most = worth;
            }
        }
        return best;
    }

    private int @Nullable [][] moved(int[][] order, List<Integer> jobs) {
        int j = jobs.get(random.nextInt(jobs.size()));
        int m = random.nextInt(order.length);
        if (!problem.possible(j, m)) {
            return null;
        }
        int[][] without = without(order, j);
        return with(without, m, random.nextInt(without[m].length + 1), j);
    }

    private int @Nullable [][] swapped(int[][] order, List<Integer> jobs) {
        int a = jobs.get(random.nextInt(jobs.size()));
        int b = jobs.get(random.nextInt(jobs.size()));
        int[] of = at(order, a);
        int[] with = at(order, b);
        if (a == b || of == null || with == null || !problem.possible(a, with[0]) || !problem.possible(b, of[0])) {
            return null;
        }
        int[][] swapped = order.clone();
        swapped[of[0]] = swapped[of[0]].clone();
        if (with[0] != of[0]) {
            swapped[with[0]] = swapped[with[0]].clone();
        }
        swapped[of[0]][of[1]] = b;
        swapped[with[0]][with[1]] = a;
        return swapped;
    }

    private static int @Nullable [] at(int[][] order, int j) {
        for (int m = 0; m < order.length; m++) {
            for (int i = 0; i < order[m].length; i++) {
                if (order[m][i] == j) {
                    return new int[] {m, i};
                }
            }
        }
        return null;
    }

    private static int[][] with(int[][] order, int m, int at, int j) {
        int[][] all = order.clone();
        List<Integer> there = new ArrayList<>(Arrays.stream(order[m]).boxed().toList());
        there.add(at, j);
        all[m] = there.stream().mapToInt(Integer::intValue).toArray();
        return all;
    }

    private static int[][] without(int[][] order, int j) {
        int[] place = at(order, j);
        if (place == null) {
            return order;
        }
        int[][] all = order.clone();
        all[place[0]] = Arrays.stream(order[place[0]]).filter(k -> k != j).toArray();
        return all;
    }
}
