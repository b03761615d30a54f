package keel.core.rate;

import org.apache.commons.statistics.distribution.BetaDistribution;

/**
 * How the rates of two kinds of thing compare: events over hours. The exact interval from the binomial distribution of
 * the one's events among all (Clopper and Pearson 1934; Przyborowski and Wilenski 1940).
 *
 * @param ratio rate of the first over that of the second; infinite where the second has none
 * @param low of the 95 % interval, {@code high} its upper end
 */
public record RateRatio(double ratio, double low, double high) {

    private static final double TAIL = 0.025;

    /**
     * @param first events of the first in {@code firstHours}
     * @throws IllegalArgumentException for negative counts, or hours that are not more than 0
     */
    public static RateRatio of(int first, double firstHours, int second, double secondHours) {
        if (first < 0 || second < 0 || !(firstHours > 0) || !(secondHours > 0)) {
            throw new IllegalArgumentException("Counts must not be negative, and hours more than 0.");
        }
        double ratio = first / firstHours / (second / secondHours);
        double low = first == 0 ? 0 : BetaDistribution.of(first, second + 1.0).inverseCumulativeProbability(TAIL);
        double high = second == 0 ? 1 : BetaDistribution.of(first + 1.0, second).inverseSurvivalProbability(TAIL);
        return new RateRatio(
                first == 0 && second == 0 ? Double.NaN : ratio,
                odds(low) * secondHours / firstHours,
                odds(high) * secondHours / firstHours);
    }

    /** Whether the interval leaves 1 out. */
    public boolean differs() {
        return low > 1 || high < 1;
    }

    private static double odds(double share) {
        return share / (1 - share);
    }
}
