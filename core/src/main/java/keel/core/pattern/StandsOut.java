package keel.core.pattern;

import java.util.Arrays;
import java.util.Comparator;
import java.util.stream.IntStream;

/**
 * Which of many p-values stand out, so that of those which do only a given share does by chance. Those that could not
 * reach significance whatever happened are left aside first.
 *
 * <p>Sources: Y. Benjamini and Y. Hochberg, Journal of the Royal Statistical Society B 57 (1995); R. E. Tarone,
 * Biometrics 46 (1990).
 */
final class StandsOut {

    private StandsOut() {}

    /** @param least smallest p that each could have had */
    static boolean[] among(double[] p, double[] least, double falseDiscovery) {
        int[] can = testable(least, falseDiscovery);
        boolean[] out = new boolean[p.length];
        double[] of = Arrays.stream(can).mapToDouble(i -> p[i]).toArray();
        boolean[] some = among(of, falseDiscovery);
        for (int k = 0; k < can.length; k++) {
            out[can[k]] = some[k];
        }
        return out;
    }

    /** Of p-values as they are. */
    static boolean[] among(double[] p, double falseDiscovery) {
        Integer[] order = IntStream.range(0, p.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> p[i]))
                .toArray(Integer[]::new);
        int last = -1;
        for (int k = 0; k < order.length; k++) {
            if (p[order[k]] <= falseDiscovery * (k + 1) / p.length) {
                last = k;
            }
        }
        boolean[] out = new boolean[p.length];
        for (int k = 0; k <= last; k++) {
            out[order[k]] = true;
        }
        return out;
    }

    /** p-values after adjustment: the share of chance finds if each were the last that is believed. */
    static double[] adjusted(double[] p) {
        Integer[] order = IntStream.range(0, p.length)
                .boxed()
                .sorted(Comparator.comparingDouble(i -> p[i]))
                .toArray(Integer[]::new);
        double[] adjusted = new double[p.length];
        double least = 1;
        for (int k = p.length - 1; k >= 0; k--) {
            least = Math.min(least, p[order[k]] * p.length / (k + 1));
            adjusted[order[k]] = least;
        }
        return adjusted;
    }

    /** The least number of tests of which no more could reach their part of the level. */
    private static int[] testable(double[] least, double level) {
        for (int tests = 1; tests <= least.length; tests++) {
            double each = level / tests;
            int[] can = IntStream.range(0, least.length)
                    .filter(i -> least[i] <= each)
                    .toArray();
            if (can.length <= tests) {
                return can;
            }
        }
        return IntStream.range(0, least.length).toArray();
    }
}
