package keel.core.plate;

import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * What the noise of a gauge alone does to readings of a perfect plane. The expected range of n independent normal
 * readings is d₂(n) standard deviations, d₂(n) = ∫ 1 − Φ(x)ⁿ − (1 − Φ(x))ⁿ dx.
 *
 * <p>Source: L. H. C. Tippett, Biometrika 17 (1925); tabulated as the control chart factor d₂ in ISO 7870-2 and the
 * NIST/SEMATECH e-Handbook, 6.3.2.1.
 */
public final class GaugeNoise {

    private static final double FAR = 8;
    private static final int STEPS = 1600;

    private GaugeNoise() {}

    /** Expected range of n readings, in standard deviations of one; 0 for a single reading. */
    public static double expectedRange(int n) {
        NormalDistribution normal = NormalDistribution.of(0, 1);
        double step = 2 * FAR / STEPS;
        double sum = 0;
        for (int i = 0; i < STEPS; i++) {
            double x = -FAR + (i + 0.5) * step;
            sum += 1 - Math.pow(normal.cumulativeProbability(x), n) - Math.pow(normal.survivalProbability(x), n);
        }
        return sum * step;
    }
}
