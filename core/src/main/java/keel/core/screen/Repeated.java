package keel.core.screen;

import java.util.List;
import org.hipparchus.stat.descriptive.moment.Mean;
import org.hipparchus.stat.descriptive.moment.StandardDeviation;

/**
 * One or several readings of the same by hand: their mean and its standard uncertainty, from the scatter of the
 * readings and from how well a hand and an instrument do at best.
 *
 * <p>Source: JCGM 100:2008 (GUM), 4.2.3 for the mean of several, 4.3 for what is known beforehand, 5.1.2 for both
 * together.
 */
public record Repeated(double mean, double uncertainty) {

    /** A stopwatch by hand: start and stop each off by some 0.1 s, common practice. */
    public static final double STOPWATCH_S = 0.15;
    /** A ruler beside the arm. */
    public static final double RULER_MM = 0.3;

    /** @param atBest standard uncertainty of one reading that scatter does not show, {@code readings} at least one */
    public static Repeated of(List<Double> readings, double atBest) {
        double[] values = readings.stream().mapToDouble(Double::doubleValue).toArray();
        if (values.length == 0) {
            throw new IllegalArgumentException("There is no reading.");
        }
        double own = atBest / Math.sqrt(values.length);
        double scatter = values.length == 1 ? 0 : new StandardDeviation().evaluate(values) / Math.sqrt(values.length);
        return new Repeated(new Mean().evaluate(values), Math.max(own, scatter));
    }
}
