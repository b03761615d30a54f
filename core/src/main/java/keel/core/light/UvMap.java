package keel.core.light;

import java.util.List;
import keel.core.Findings;
import org.hipparchus.stat.regression.OLSMultipleLinearRegression;

/**
 * Readings of a UV meter over the plate, and how even they are.
 *
 * <p>Uniformity is the least over the greatest reading, as for the nine points of a projected picture in IEC 61947-1
 * and ANSI IT7.228 (from memory).
 *
 * @param mean in the meter's own unit
 * @param least reading, {@code greatest} likewise
 * @param uniformity least over greatest, 0 to 1
 * @param tiltX change from the left edge to the right one as a share of the mean, by the plane that fits best;
 *     {@code tiltY} from front to back
 */
public record UvMap(
        List<Reading> readings,
        double mean,
        Reading least,
        Reading greatest,
        double uniformity,
        double tiltX,
        double tiltY) {

    public static final int LEAST_READINGS = 9;
    public static final int MOST_READINGS = 200;
    /**
     * Below this a job feels the difference: edges underexposed while the middle bleeds. Common practice, no source.
     */
    public static final double EVEN_FROM = 0.8;

    private static final double MOST = 10_000;
    private static final double ROUNDING = 1e-9;
    /** Readings must reach over so much of the plate each way, or they say nothing of its edges. */
    private static final double REACH = 0.5;

    /** A reading at a place, mm from the left and the front; in the meter's own unit, mW/cm² as a rule. */
    public record Reading(double xMm, double yMm, double light) {}

    /** What is wrong with readings of a plate of that size. */
    public static void check(List<Reading> readings, double widthMm, double depthMm, Findings findings) {
        if (findings.when(
                        readings.size() < LEAST_READINGS,
                        "readings",
                        "A map takes " + LEAST_READINGS + " readings at least: " + readings.size() + " are there.")
                || findings.when(
                        readings.size() > MOST_READINGS,
                        "readings",
                        "A map takes " + MOST_READINGS + " readings at most.")) {
            return;
        }
        for (int i = 0; i < readings.size(); i++) {
            Reading r = readings.get(i);
            findings.range(r.xMm(), 0, widthMm, "readings[" + i + "].xMm", "A place from the left", "mm");
            findings.range(r.yMm(), 0, depthMm, "readings[" + i + "].yMm", "A place from the front", "mm");
            findings.range(r.light(), 0, MOST, "readings[" + i + "].light", "A reading", "mW/cm²");
        }
        if (findings.none()) {
            findings.when(
                    spread(readings.stream().mapToDouble(Reading::xMm).toArray()) < REACH * widthMm
                            || spread(readings.stream()
                                            .mapToDouble(Reading::yMm)
                                            .toArray())
                                    < REACH * depthMm,
                    "readings",
                    "The readings lie too close together to tell of the edges: spread them over the plate.");
            findings.when(
                    readings.stream().noneMatch(r -> r.light() > 0),
                    "readings",
                    "Every reading is 0: is the light on, the film out, the meter awake?");
        }
    }

    private static double spread(double[] at) {
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (double v : at) {
            low = Math.min(low, v);
            high = Math.max(high, v);
        }
        return high - low;
    }

    /**
     * @param readings that passed {@link #check}
     * @throws IllegalArgumentException if they did not
     */
    public static UvMap of(List<Reading> readings, double widthMm, double depthMm) {
        Findings findings = new Findings();
        check(readings, widthMm, depthMm, findings);
        if (!findings.none()) {
            throw new IllegalArgumentException(findings.list().get(0).message());
        }
        Reading least = readings.get(0);
        Reading greatest = readings.get(0);
        double sum = 0;
        for (Reading r : readings) {
            least = r.light() < least.light() ? r : least;
            greatest = r.light() > greatest.light() ? r : greatest;
            sum += r.light();
        }
        double mean = sum / readings.size();
        double[] plane = plane(readings);
        return new UvMap(
                List.copyOf(readings),
                mean,
                least,
                greatest,
                least.light() / greatest.light(),
                plane[1] * widthMm / mean,
                plane[2] * depthMm / mean);
    }

    private static double[] plane(List<Reading> readings) {
        OLSMultipleLinearRegression ols = new OLSMultipleLinearRegression();
        ols.newSampleData(
                readings.stream().mapToDouble(Reading::light).toArray(),
                readings.stream().map(r -> new double[] {r.xMm(), r.yMm()}).toArray(double[][]::new));
        return ols.estimateRegressionParameters();
    }

    public boolean even() {
        return uniformity >= EVEN_FROM - ROUNDING;
    }
}
