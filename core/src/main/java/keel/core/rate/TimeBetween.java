package keel.core.rate;

import org.apache.commons.statistics.distribution.ChiSquaredDistribution;

/**
 * Hours between failures of something that is mended each time, with limits by chi-square; watched for a given time.
 *
 * <p>Source: NIST/SEMATECH e-Handbook of Statistical Methods, 8.4.5.1, for a test that ends at a given time.
 *
 * @param mean hours; infinite without failures
 * @param high infinite without failures
 */
public record TimeBetween(int failures, double hours, double mean, double low, double high) {

    private static final double LEVEL = 0.95;

    /**
     * With 95 % limits.
     *
     * @throws IllegalArgumentException unless failures are 0 or more and hours more than 0
     */
    public static TimeBetween of(int failures, double hours) {
        return of(failures, hours, LEVEL);
    }

    static TimeBetween of(int failures, double hours, double level) {
        if (failures < 0 || !(hours > 0)) {
            throw new IllegalArgumentException("Failures are 0 or more, hours more than 0.");
        }
        double tail = (1 - level) / 2;
        double most = ChiSquaredDistribution.of(2.0 * failures + 2).inverseCumulativeProbability(1 - tail);
        double least =
                failures == 0 ? 0 : ChiSquaredDistribution.of(2.0 * failures).inverseCumulativeProbability(tail);
        return new TimeBetween(
                failures,
                hours,
                failures == 0 ? Double.POSITIVE_INFINITY : hours / failures,
                2 * hours / most,
                failures == 0 ? Double.POSITIVE_INFINITY : 2 * hours / least);
    }
}
