package keel.core.light;

import java.util.List;
import java.util.Optional;
import org.hipparchus.stat.regression.SimpleRegression;

/**
 * How a light engine fades: light = B·exp(−α·h), fitted by least squares on the logarithm, and when it is down
 * to a share of what it was new.
 *
 * <p>Source: IES TM-21 (lumen maintenance of LED sources; from memory): exponential fit, L_p = ln(B / p) / α, no
 * forecast beyond six times the hours that were measured.
 *
 * @param startsWith B, in the meter's unit
 * @param perHour α, 1/h; negative where it grew brighter
 * @param spread standard error of α
 * @param fromHours hours of the first map, {@code toHours} of the last
 */
public record LightAgeing(double startsWith, double perHour, double spread, double fromHours, double toHours) {

    public static final int LEAST_MAPS = 3;

    private static final double FORECAST = 6;
    private static final double SIGNIFICANT = 2;

    /** Mean light of a map, at so many hours of the light engine. */
    public record Point(double hours, double light) {}

    /** Empty with fewer than {@value #LEAST_MAPS} points, or where all are of the same hours. */
    public static Optional<LightAgeing> of(List<Point> points) {
        SimpleRegression line = new SimpleRegression();
        double from = Double.MAX_VALUE;
        double to = 0;
        for (Point p : points) {
            if (p.light() > 0) {
                line.addData(p.hours(), Math.log(p.light()));
                from = Math.min(from, p.hours());
                to = Math.max(to, p.hours());
            }
        }
        return line.getN() < LEAST_MAPS || !Double.isFinite(line.getSlope())
                ? Optional.empty()
                : Optional.of(new LightAgeing(
                        Math.exp(line.getIntercept()), -line.getSlope(), line.getSlopeStdErr(), from, to));
    }

    /** Whether the records show at all that it fades. */
    public boolean fades() {
        return perHour > SIGNIFICANT * spread;
    }

    /** Share of its light that it loses in so many hours. */
    public double lostIn(double hours) {
        return 1 - Math.exp(-perHour * hours);
    }

    public double at(double hours) {
        return startsWith * Math.exp(-perHour * hours);
    }

    /**
     * Hours at which it gives that share of what it gave at its first map; empty where it does not fade, or beyond what
     * six times the measured hours allow to say.
     */
    public Optional<Double> reaches(double share) {
        if (!fades()) {
            return Optional.empty();
        }
        double hours = fromHours + Math.log(1 / share) / perHour;
        return hours - fromHours > FORECAST * (toHours - fromHours) ? Optional.empty() : Optional.of(hours);
    }
}
