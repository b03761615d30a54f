package keel.core.order;

import org.hipparchus.distribution.discrete.PascalDistribution;

/**
 * How many prints it takes until so many plates came out, where each print fails by itself with the same chance and is
 * printed again: plates plus a negative binomial number of failures (any handbook of distributions).
 *
 * @param low not fewer in nine of ten cases, {@code high} not more in nine of ten
 */
public record PrintsNeeded(int plates, double mean, int low, int median, int high) {

    private static final double TAIL = 0.1;

    /**
     * @param plates that must come out, from 0
     * @param fails chance that a print fails, from 0 to below 1
     * @throws IllegalArgumentException if either cannot be
     */
    public static PrintsNeeded of(int plates, double fails) {
        if (plates < 0 || !(fails >= 0 && fails < 1)) {
            throw new IllegalArgumentException(plates + " plates, " + fails + " fail");
        }
        if (plates == 0 || fails == 0) {
            return new PrintsNeeded(plates, plates, plates, plates, plates);
        }
        PascalDistribution failures = new PascalDistribution(plates, 1 - fails);
        return new PrintsNeeded(
                plates,
                plates / (1 - fails),
                plates + failures.inverseCumulativeProbability(TAIL),
                plates + failures.inverseCumulativeProbability(0.5),
                plates + failures.inverseCumulativeProbability(1 - TAIL));
    }
}
