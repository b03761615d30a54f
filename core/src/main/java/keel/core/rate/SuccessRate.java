package keel.core.rate;

import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * Share of runs that came out, with its 95 % interval by Wilson's score method, which stays between 0 and 1 and says
 * something sensible for few runs.
 *
 * <p>Source: R. G. Newcombe, Two-sided confidence intervals for the single proportion, Statistics in Medicine 17
 * (1998), 857, method 3; E. B. Wilson (1927).
 *
 * @param good runs that came out
 * @param runs runs that ended, &gt; 0
 * @param low lower end of the interval, 0 to 1
 * @param high upper end
 */
public record SuccessRate(int good, int runs, double low, double high) {

    static final double Z = NormalDistribution.of(0, 1).inverseCumulativeProbability(0.975);

    /** @throws IllegalArgumentException unless 0 &le; good &le; runs and runs &gt; 0 */
    public static SuccessRate of(int good, int runs) {
        if (runs <= 0 || good < 0 || good > runs) {
            throw new IllegalArgumentException("Of " + runs + " runs, " + good + " cannot have come out.");
        }
        double p = (double) good / runs;
        double centre = p + Z * Z / (2 * runs);
        double half = Z * Math.sqrt(p * (1 - p) / runs + Z * Z / (4.0 * runs * runs));
        double whole = 1 + Z * Z / runs;
        return new SuccessRate(good, runs, Math.max(0, (centre - half) / whole), Math.min(1, (centre + half) / whole));
    }

    public double share() {
        return (double) good / runs;
    }
}
