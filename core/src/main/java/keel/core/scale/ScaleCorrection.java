package keel.core.scale;

import java.util.List;
import org.apache.commons.statistics.distribution.TDistribution;
import org.hipparchus.stat.descriptive.moment.Mean;
import org.hipparchus.stat.descriptive.moment.StandardDeviation;
import org.hipparchus.stat.regression.SimpleRegression;

/**
 * Factor by which a job is scaled so that it comes out as drawn, with its 95 % interval by Student's t. From one
 * nominal length it is the mean of nominal over measured. From several, a straight line measured = offset +
 * slope·nominal tells a ratio (the factor is 1/slope) from a fixed offset, which is bleed of the exposure and no
 * matter of scale.
 *
 * <p>Calipers say no more than half a step: three times the same reading is no certainty, and the interval is never
 * narrower than that.
 *
 * <p>Source of the interval: NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.5.2 (mean) and 4.4.3 (slope).
 *
 * @param low lower end of the interval, null where there are too few measurements for one
 * @param high upper end, null likewise
 * @param offsetMm what every length is too long by, mm; null for a single nominal length
 * @param correct whether to correct: there is an interval and 1 lies outside it
 */
public record ScaleCorrection(double factor, Double low, Double high, Double offsetMm, boolean correct) {

    private static final double CONFIDENCE = 0.95;
    private static final double LONGEST_MM = 2000;

    /** Step of usual calipers, mm. */
    public static final double USUAL_STEP_MM = 0.01;

    /** A length as drawn and as measured, mm. */
    public record Measurement(double nominalMm, double measuredMm) {}

    /** With usual calipers. */
    public static ScaleCorrection of(List<Measurement> measurements) {
        return of(measurements, USUAL_STEP_MM);
    }

    /**
     * @param stepMm the smallest difference that the calipers show, 0 to 1 mm
     * @throws IllegalArgumentException with a sentence that says what is wrong
     */
    public static ScaleCorrection of(List<Measurement> measurements, double stepMm) {
        require(stepMm >= 0 && stepMm <= 1, "The step of the calipers is 0 to 1 mm; this is " + stepMm + ".");
        require(!measurements.isEmpty(), "Scale takes at least one measurement.");
        require(measurements.size() <= 1000, "Scale takes 1000 measurements at the most.");
        for (Measurement m : measurements) {
            require(
                    m.nominalMm() > 0 && m.nominalMm() <= LONGEST_MM,
                    "A nominal length must be more than 0 and at most 2000 mm; this is " + m.nominalMm() + ".");
            require(
                    m.measuredMm() > 0 && m.measuredMm() <= LONGEST_MM,
                    "A measured length must be more than 0 and at most 2000 mm; this is " + m.measuredMm() + ".");
            double ratio = m.nominalMm() / m.measuredMm();
            require(
                    ratio > 0.5 && ratio < 2,
                    m.measuredMm() + " mm for " + m.nominalMm() + " mm is not a matter of scale. Look at the unit.");
        }
        return measurements.stream()
                                .mapToDouble(Measurement::nominalMm)
                                .distinct()
                                .count()
                        == 1
                ? ratio(measurements, stepMm)
                : line(measurements, stepMm);
    }

    private static ScaleCorrection ratio(List<Measurement> measurements, double stepMm) {
        double[] ratios = measurements.stream()
                .mapToDouble(m -> m.nominalMm() / m.measuredMm())
                .toArray();
        double mean = new Mean().evaluate(ratios);
        if (ratios.length < 2) {
            return new ScaleCorrection(mean, null, null, null, false);
        }
        double scatter = t(ratios.length - 1) * new StandardDeviation().evaluate(ratios) / Math.sqrt(ratios.length);
        double half = Math.max(scatter, mean * stepMm / 2 / measurements.get(0).nominalMm());
        return decided(mean, mean - half, mean + half, null);
    }

    private static ScaleCorrection line(List<Measurement> measurements, double stepMm) {
        SimpleRegression line = new SimpleRegression();
        measurements.forEach(m -> line.addData(m.nominalMm(), m.measuredMm()));
        double slope = line.getSlope();
        require(slope > 0.5 && slope < 2, "Longer lengths did not come out longer: look at what was measured.");
        if (measurements.size() < 3) {
            return new ScaleCorrection(1 / slope, null, null, line.getIntercept(), false);
        }
        double half = Math.max(t(measurements.size() - 2) * line.getSlopeStdErr(), stepMm / longest(measurements));
        return half >= slope
                ? new ScaleCorrection(1 / slope, null, null, line.getIntercept(), false)
                : decided(1 / slope, 1 / (slope + half), 1 / (slope - half), line.getIntercept());
    }

    /** From the shortest of the lengths to the longest, mm. */
    private static double longest(List<Measurement> measurements) {
        double[] lengths = measurements.stream()
                .mapToDouble(Measurement::nominalMm)
                .sorted()
                .toArray();
        return lengths[lengths.length - 1] - lengths[0];
    }

    private static ScaleCorrection decided(double factor, double low, double high, Double offset) {
        return new ScaleCorrection(factor, low, high, offset, low > 1 || high < 1);
    }

    private static double t(int freedom) {
        return TDistribution.of(freedom).inverseCumulativeProbability(1 - (1 - CONFIDENCE) / 2);
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
