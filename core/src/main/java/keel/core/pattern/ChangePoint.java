package keel.core.pattern;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hipparchus.random.RandomGenerator;
import org.hipparchus.random.Well19937c;
import org.hipparchus.util.FastMath;

/**
 * Whether values in their order have changed once, and when: the split with the largest likelihood ratio, against the
 * same of the values in random orders, or in all orders where these are few.
 *
 * @param lastBefore index of the last value before the change; empty where nothing changed
 * @param before mean before the change, {@code after} mean after it; both that of all where nothing changed
 * @param p chance of so large a ratio if their order meant nothing
 */
public record ChangePoint(Optional<Integer> lastBefore, double before, double after, double p) {

    public static final int MOST_VALUES = 3000;

    private static final double CHANGED = 0.01;
    private static final int ORDERS = 9_999;
    private static final int FEW_ORDERS = 10_000;
    private static final long SEED = 1898;
    private static final int LEAST_SIDE = 5;
    private static final int LEAST_SIDE_OF_FEW = 2;
    private static final int FEW_VALUES = 20;
    private static final double SAME = 1e-9;

    /** What the values are. */
    public enum Kind {
        /** Measurements, alike in spread before and after. */
        MEAN,
        /** Counts. */
        COUNT,
        /** Zeros and ones. */
        SHARE
    }

    public boolean changed() {
        return lastBefore.isPresent();
    }

    private record Split(int lastBefore, double ratio) {}

    /** @throws IllegalArgumentException with a sentence, for fewer than four values or such as are not of the kind */
    public static ChangePoint of(double[] values, Kind kind) {
        check(values, kind);
        Split best = best(values, kind);
        double p = values.length < 2 * leastSide(values) || best.ratio() <= 0 ? 1 : p(values, kind, best.ratio());
        double all = mean(values, 0, values.length);
        return p > CHANGED
                ? new ChangePoint(Optional.empty(), all, all, p)
                : new ChangePoint(
                        Optional.of(best.lastBefore()),
                        mean(values, 0, best.lastBefore() + 1),
                        mean(values, best.lastBefore() + 1, values.length),
                        p);
    }

    /**
     * The same of zeros and ones that are only mixed with their like, so that another mix of what is printed is no
     * change; empty as soon as few orders show that there is none.
     *
     * @param like what each value is like
     * @throws IllegalArgumentException as above
     */
    static Optional<ChangePoint> worth(double[] values, List<String> like) {
        check(values, Kind.SHARE);
        Split best = best(values, Kind.SHARE);
        List<int[]> strata = strata(like);
        RandomGenerator random = new Well19937c(SEED);
        double[] mixed = values.clone();
        int asLarge = 0;
        for (int k = 0; k < ORDERS; k++) {
            strata.forEach(s -> shuffle(mixed, s, random));
            asLarge += best(mixed, Kind.SHARE).ratio() >= best.ratio() - SAME ? 1 : 0;
            if (asLarge > CHANGED * (ORDERS + 1)) {
                return Optional.empty();
            }
        }
        return Optional.of(new ChangePoint(
                Optional.of(best.lastBefore()),
                mean(values, 0, best.lastBefore() + 1),
                mean(values, best.lastBefore() + 1, values.length),
                (1.0 + asLarge) / (ORDERS + 1)));
    }

    private static List<int[]> strata(List<String> like) {
        Map<String, List<Integer>> places = new LinkedHashMap<>();
        for (int i = 0; i < like.size(); i++) {
            places.computeIfAbsent(like.get(i), k -> new ArrayList<>()).add(i);
        }
        return places.values().stream()
                .map(p -> p.stream().mapToInt(Integer::intValue).toArray())
                .toList();
    }

    private static void shuffle(double[] values, int[] places, RandomGenerator random) {
        for (int i = places.length - 1; i > 0; i--) {
            int j = random.nextInt(i + 1);
            double kept = values[places[i]];
            values[places[i]] = values[places[j]];
            values[places[j]] = kept;
        }
    }

    private static void check(double[] values, Kind kind) {
        require(values.length >= 2 * LEAST_SIDE_OF_FEW, "A change wants four values at the least.");
        require(values.length <= MOST_VALUES, "More than " + MOST_VALUES + " values.");
        for (double v : values) {
            require(!Double.isNaN(v) && !Double.isInfinite(v), "A value is no number.");
            require(kind != Kind.COUNT || v >= 0, "Counts are 0 or more.");
            require(kind != Kind.SHARE || v == 0 || v == 1, "Shares are told by zeros and ones.");
        }
    }

    private static void require(boolean holds, String sentence) {
        if (!holds) {
            throw new IllegalArgumentException(sentence);
        }
    }

    private static int leastSide(double[] values) {
        return values.length < FEW_VALUES ? LEAST_SIDE_OF_FEW : LEAST_SIDE;
    }

    private static Split best(double[] values, Kind kind) {
        int n = values.length;
        int side = leastSide(values);
        double all = Arrays.stream(values).sum();
        double squares = Arrays.stream(values).map(v -> v * v).sum();
        double sum = 0;
        Split best = new Split(side - 1, 0);
        for (int i = 0; i < n - side; i++) {
            sum += values[i];
            if (i >= side - 1) {
                double ratio = ratio(kind, i + 1, sum, n - i - 1, all - sum, squares);
                best = ratio > best.ratio() + SAME ? new Split(i, ratio) : best;
            }
        }
        return best;
    }

    /** Twice the logarithm of the likelihood ratio of two means against one. */
    private static double ratio(Kind kind, int n, double s, int m, double t, double squares) {
        return switch (kind) {
            case MEAN -> {
                double none = squares - (s + t) * (s + t) / (n + m);
                double one = squares - s * s / n - t * t / m;
                yield none <= 0 ? 0 : (n + m) * FastMath.log(none / FastMath.max(one, 1e-12 * none));
            }
            case COUNT -> 2 * (count(s, n) + count(t, m) - count(s + t, n + m));
            case SHARE -> 2 * (share(s, n) + share(t, m) - share(s + t, n + m));
        };
    }

    private static double count(double sum, int n) {
        return sum <= 0 ? 0 : sum * FastMath.log(sum / n);
    }

    private static double share(double ones, int n) {
        return count(ones, n) + count(n - ones, n);
    }

    private static double p(double[] values, Kind kind, double seen) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        if (orders(sorted) <= FEW_ORDERS) {
            return inAllOrders(sorted, kind, seen);
        }
        RandomGenerator random = new Well19937c(SEED);
        double[] mixed = values.clone();
        int asLarge = 0;
        for (int k = 0; k < ORDERS; k++) {
            shuffle(mixed, random);
            asLarge += best(mixed, kind).ratio() >= seen - SAME ? 1 : 0;
        }
        return (1.0 + asLarge) / (ORDERS + 1);
    }

    private static void shuffle(double[] values, RandomGenerator random) {
        for (int i = values.length - 1; i > 0; i--) {
            int j = random.nextInt(i + 1);
            double kept = values[i];
            values[i] = values[j];
            values[j] = kept;
        }
    }

    /** How many orders there are that look different. */
    private static double orders(double[] sorted) {
        double orders = 1;
        int alike = 0;
        for (int i = 0; i < sorted.length && orders <= FEW_ORDERS * 1e6; i++) {
            alike = i > 0 && sorted[i] == sorted[i - 1] ? alike + 1 : 1;
            orders = orders * (i + 1) / alike;
        }
        return orders;
    }

    private static double inAllOrders(double[] sorted, Kind kind, double seen) {
        double[] order = sorted.clone();
        int all = 0;
        int asLarge = 0;
        do {
            all++;
            asLarge += best(order, kind).ratio() >= seen - SAME ? 1 : 0;
        } while (next(order));
        return (double) asLarge / all;
    }

    /** The next order in the dictionary, those that look alike once; false after the last. */
    private static boolean next(double[] order) {
        int i = order.length - 2;
        while (i >= 0 && order[i] >= order[i + 1]) {
            i--;
        }
        if (i < 0) {
            return false;
        }
        int j = order.length - 1;
        while (order[j] <= order[i]) {
            j--;
        }
        double kept = order[i];
        order[i] = order[j];
        order[j] = kept;
        for (int a = i + 1, b = order.length - 1; a < b; a++, b--) {
            double swapped = order[a];
            order[a] = order[b];
            order[b] = swapped;
        }
        return true;
    }

    private static double mean(double[] values, int from, int to) {
        return Arrays.stream(values, from, to).average().orElse(Double.NaN);
    }
}
