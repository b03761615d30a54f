package keel.core.pattern;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;

/**
 * Watches prints as they come for a share of failures that has doubled: a failure adds {@code up}, a success takes 1,
 * it never falls below 0, and from {@code limit} on it is an alarm.
 *
 * <p>Source: E. S. Page, Continuous inspection schemes, Biometrika 41 (1954), 100; run lengths exactly by the Markov
 * chain of D. Brook and D. A. Evans, Biometrika 59 (1972), 539.
 *
 * @param usual share that fails as a rule
 * @param up what a failure adds: the weight of a failure to that of a success for a doubling
 */
public record Cusum(double usual, int up, int limit) {

    private static final double LEAST_SHARE = 0.02;
    private static final double MOST_SHARE = 0.3;
    /** The longer a run, the nearer its matrix is to none. */
    private static final double SINGULAR = 1e-300;

    /**
     * @param usual share that fails as a rule; taken as 2 to 30 % where it lies outside
     * @param prints how many in the mean it must run without a false alarm, up to a million
     */
    public static Cusum of(double usual, double prints) {
        double share = Math.min(MOST_SHARE, Math.max(LEAST_SHARE, usual));
        int up = Math.max(1, (int) Math.round(Math.log(2) / -Math.log((1 - 2 * share) / (1 - share))));
        int low = up + 1;
        int high = low;
        while (new Cusum(share, up, high).runLength(share) < prints) {
            low = high + 1;
            high += Math.max(1, high / 2);
        }
        while (low < high) {
            int middle = (low + high) / 2;
            if (new Cusum(share, up, middle).runLength(share) >= prints) {
                high = middle;
            } else {
                low = middle + 1;
            }
        }
        return new Cusum(share, up, low);
    }

    /** One print further. */
    public int next(int sum, boolean failed) {
        return failed ? sum + up : Math.max(0, sum - 1);
    }

    public boolean alarms(int sum) {
        return sum >= limit;
    }

    /** Prints in the mean from 0 to the alarm where this share fails. */
    public double runLength(double share) {
        double[][] stays = new double[limit][limit];
        double[] ones = new double[limit];
        for (int sum = 0; sum < limit; sum++) {
            ones[sum] = 1;
            stays[sum][sum] += 1;
            stays[sum][Math.max(0, sum - 1)] -= 1 - share;
            if (sum + up < limit) {
                stays[sum][sum + up] -= share;
            }
        }
        return new LUDecomposition(new Array2DRowRealMatrix(stays, false), SINGULAR)
                .getSolver()
                .solve(new ArrayRealVector(ones, false))
                .getEntry(0);
    }
}
