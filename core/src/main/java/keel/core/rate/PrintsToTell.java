package keel.core.rate;

import java.util.OptionalInt;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * How many prints of each of two kinds it takes to tell their shares apart: two-sided at 5 %, told four times out of
 * five.
 *
 * <p>Source: J. L. Fleiss, B. Levin and M. C. Paik, Statistical Methods for Rates and Proportions, 3rd ed. (2003),
 * 4.14, without correction for continuity; check values: the help page of R's {@code power.prop.test}.
 */
public final class PrintsToTell {

    private static final double USUAL_POWER = 0.8;
    /** Further than this nobody plans. */
    private static final int MOST = 100_000;

    private PrintsToTell() {}

    /**
     * @param first share, 0 to 1
     * @param second share, 0 to 1
     * @return prints of each; empty where the shares are the same, or so near that nobody could tell
     */
    public static OptionalInt ofEach(double first, double second) {
        double prints = ofEach(first, second, USUAL_POWER);
        return prints <= MOST ? OptionalInt.of((int) Math.ceil(prints)) : OptionalInt.empty();
    }

    /**
     * @param power how often it is to be told, 0.5 to 1
     * @return prints of each, infinite where the shares are the same
     */
    static double ofEach(double first, double second, double power) {
        double mean = (first + second) / 2;
        double beta = NormalDistribution.of(0, 1).inverseCumulativeProbability(power);
        double root = SuccessRate.Z * Math.sqrt(2 * mean * (1 - mean))
                + beta * Math.sqrt(first * (1 - first) + second * (1 - second));
        double apart = first - second;
        return apart == 0 ? Double.POSITIVE_INFINITY : root * root / (apart * apart);
    }
}
