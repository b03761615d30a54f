package keel.core.plan;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import org.hipparchus.util.FastMath;

/**
 * A good order of many errands: the best of the simple ones, made better by moving errands and exchanging them, over
 * and over from where it was shaken. The same errands give the same order.
 */
final class SearchedOrder {

    /** About a second's work. */
    private static final int STEPS = 30_000_000;

    private static final int SHAKEN = 4;
    private static final long SEED = 11;

    private final Errands errands;
    private final Sequence.Objective objective;
    private final Random random = new Random(SEED);
    private int left;

    private SearchedOrder(Errands errands, Sequence.Objective objective, int steps) {
        this.errands = errands;
        this.objective = objective;
        int n = FastMath.max(1, errands.size());
        this.left = steps / (errands.anyAfter() ? n * n / 4 + n : n);
    }

    /** An order with its timetable. */
    private record Found(int[] order, Timetable table) {}

    /** The best of the simple orders. */
    static Timetable quickly(Errands errands, Sequence.Objective objective) {
        return new SearchedOrder(errands, objective, STEPS).simple().table();
    }

    static Timetable of(Errands errands, Sequence.Objective objective) {
        SearchedOrder search = new SearchedOrder(errands, objective, STEPS);
        return search.from(search.simple());
    }

    /** The same with so much work, and from an order that is known already. */
    static Timetable of(Errands errands, Sequence.Objective objective, int[] known, int steps) {
        SearchedOrder search = new SearchedOrder(errands, objective, steps);
        Found simple = search.simple();
        Found before = search.found(known);
        return search.from(objective.better(simple.table(), before.table()) ? simple : before);
    }

    private Timetable from(Found begin) {
        Found best = better(begin);
        while (left > 0 && errands.size() > 1) {
            Found next = better(shaken(best));
            best = objective.better(best.table(), next.table()) ? best : next;
        }
        return best.table();
    }

    private Found simple() {
        Comparator<Integer> worth = Comparator.comparingDouble(i -> -ratio(i));
        Comparator<Integer> deadline =
                Comparator.comparingDouble(i -> errands.get(i).deadline() == null
                        ? Double.POSITIVE_INFINITY
                        : errands.get(i).deadline());
        Comparator<Integer> came = Comparator.naturalOrder();
        List<Found> all = new ArrayList<>();
        for (Comparator<Integer> by : List.of(worth, deadline, came, deadline.thenComparing(worth))) {
            all.add(found(sorted(by)));
        }
        all.add(found(greedy()));
        all.add(found(moore()));
        Found best = all.get(0);
        for (Found one : all) {
            best = objective.better(one.table(), best.table()) ? one : best;
        }
        return best;
    }

    /** Cost a minute of waiting for each minute of work; of errands that unlock something together, of all of them. */
    private double ratio(int i) {
        double cost = errands.costPerMinute(i);
        double minutes = errands.get(i).minutes();
        int code = errands.unlocks[i];
        if (code >= 0) {
            cost = errands.unlockCostPerMinute(code);
            minutes = 0;
            for (int k = 0; k < errands.size(); k++) {
                cost += errands.unlocks[k] == code ? errands.costPerMinute(k) : 0;
                minutes += errands.unlocks[k] == code ? errands.get(k).minutes() : 0;
            }
        }
        return minutes == 0 ? Double.POSITIVE_INFINITY : cost / minutes;
    }

    private int[] sorted(Comparator<Integer> by) {
        return IntStream.range(0, errands.size())
                .boxed()
                .sorted(by)
                .mapToInt(Integer::intValue)
                .toArray();
    }

    /** As soon as somebody is free, the dearest of those that can be begun. */
    private int[] greedy() {
        Timetable table = new Timetable(errands);
        int[] order = new int[errands.size()];
        for (int n = 0; n < order.length; n++) {
            int next = -1;
            double start = 0;
            int worker = 0;
            for (int i = 0; i < order.length; i++) {
                if (!table.ready(i)) {
                    continue;
                }
                for (int w = 0; w < errands.workers; w++) {
                    double begins = table.start(i, w);
                    boolean sooner = next < 0 || begins < start - Sequence.SAME;
                    if (sooner || begins <= start + Sequence.SAME && ratio(i) > ratio(next)) {
                        next = i;
                        start = begins;
                        worker = w;
                    }
                }
            }
            table = table.with(next, worker);
            order[n] = next;
        }
        return order;
    }

    /** By deadline, the longest put off to the end as soon as one would be late (Moore 1968). */
    private int[] moore() {
        List<Integer> inTime = new ArrayList<>();
        List<Integer> put = new ArrayList<>();
        double end = 0;
        for (int i : sorted(Comparator.comparingDouble(i -> errands.get(i).deadline() == null
                ? Double.POSITIVE_INFINITY
                : errands.get(i).deadline()))) {
            inTime.add(i);
            end += errands.get(i).minutes();
            Double deadline = errands.get(i).deadline();
            if (deadline != null && end > deadline) {
                int longest = inTime.stream()
                        .max(Comparator.comparingDouble(k -> errands.get(k).minutes()))
                        .orElseThrow();
                inTime.remove((Integer) longest);
                put.add(longest);
                end -= errands.get(longest).minutes();
            }
        }
        inTime.addAll(put);
        return inTime.stream().mapToInt(Integer::intValue).toArray();
    }

    private Found found(int[] order) {
        int[] possible = inOrder(order);
        left--;
        return new Found(possible, Timetable.of(errands, possible));
    }

    private int[] inOrder(int[] order) {
        return possible(errands, order);
    }

    /** The same, each put off until all is done that it comes after. */
    static int[] possible(Errands errands, int[] order) {
        if (!errands.anyAfter()) {
            return order;
        }
        int[] possible = new int[order.length];
        boolean[] done = new boolean[order.length];
        for (int n = 0; n < order.length; n++) {
            for (int i : order) {
                if (!done[i] && errands.ready(i, done)) {
                    possible[n] = i;
                    done[i] = true;
                    break;
                }
            }
        }
        return possible;
    }

    /** Until no move and no exchange makes it better. */
    private Found better(Found from) {
        Found best = from;
        boolean more = true;
        while (more && left > 0) {
            more = false;
            for (int i = 0; i < errands.size() && left > 0; i++) {
                for (int k = 0; k < errands.size() && left > 0; k++) {
                    Found moved = i == k ? best : found(moved(best.order(), i, k));
                    Found swapped = i < k ? found(swapped(best.order(), i, k)) : best;
                    Found one = objective.better(swapped.table(), moved.table()) ? swapped : moved;
                    if (objective.better(one.table(), best.table())) {
                        best = one;
                        more = true;
                    }
                }
            }
        }
        return best;
    }

    private Found shaken(Found from) {
        int[] order = from.order();
        for (int n = 0; n < SHAKEN; n++) {
            order = moved(order, random.nextInt(order.length), random.nextInt(order.length));
        }
        return found(order);
    }

    private static int[] moved(int[] order, int from, int to) {
        int[] moved = order.clone();
        int errand = order[from];
        if (from < to) {
            System.arraycopy(order, from + 1, moved, from, to - from);
        } else {
            System.arraycopy(order, to, moved, to + 1, from - to);
        }
        moved[to] = errand;
        return moved;
    }

    private static int[] swapped(int[] order, int a, int b) {
        int[] swapped = order.clone();
        swapped[a] = order[b];
        swapped[b] = order[a];
        return swapped;
    }
}
