package keel.core.rate;

import org.apache.commons.statistics.distribution.PoissonDistribution;

/** Whether a count that happened fits a forecast. */
public final class ExactPoisson {

    private static final double TIE = 1 + 1e-7;

    private ExactPoisson() {}

    /**
     * Two-sided exact p of a count where so many were expected: the chance of all counts that are no likelier than it.
     *
     * <p>Source: as R's {@code poisson.test} (from memory).
     *
     * @param expected 0 or more; with 0, any count but 0 has p 0
     * @throws IllegalArgumentException below 0 or if not finite
     */
    public static double p(int count, double expected) {
        if (count < 0 || !(expected >= 0) || Double.isInfinite(expected)) {
            throw new IllegalArgumentException("A count and what was expected are 0 or more.");
        }
        if (expected == 0) {
            return count == 0 ? 1 : 0;
        }
        PoissonDistribution poisson = PoissonDistribution.of(expected);
        double seen = poisson.probability(count) * TIE;
        int far = (int) Math.ceil(Math.max(count, expected) + 20 * Math.sqrt(expected) + 50);
        double likelier = 0;
        for (int k = 0; k <= far; k++) {
            double chance = poisson.probability(k);
            likelier += chance > seen ? chance : 0;
        }
        return Math.min(1, Math.max(0, 1 - likelier));
    }
}
