package keel.core.condition;

import java.util.ArrayList;
import java.util.List;

/**
 * The course of a film's clouding to be drawn: what was known of it at each age, look by look, and from now on what is
 * to be expected.
 *
 * @param known from its first hour to now
 * @param ahead from now on
 */
public record CloudingCourse(List<Point> known, List<Point> ahead) {

    private static final int POINTS = 48;

    /** Loss of light at an age: one in ten such has lost less than {@code low}, nine in ten less than {@code high}. */
    public record Point(double hours, double low, double middle, double high) {

        static Point of(CloudingPath path) {
            return new Point(path.hours(), path.quantile(0.1), path.quantile(0.5), path.quantile(0.9));
        }
    }

    /**
     * @param seen in the order in which it was seen
     * @param uvShare UV hours in a print hour from now on
     * @param hoursAhead print hours that are drawn
     */
    public static CloudingCourse of(
            CloudingPrior prior,
            List<CloudingSeen> seen,
            double hours,
            double uvHours,
            double uvShare,
            double hoursAhead) {
        List<Point> known = new ArrayList<>();
        CloudingPath path = CloudingPath.fresh(prior);
        known.add(Point.of(path));
        for (CloudingSeen s : seen) {
            path = drawn(path, s.hours(), s.uvHours(), hours, known);
            path = path.seen(s);
            known.add(Point.of(path));
        }
        path = drawn(path, hours, uvHours, hours, known);
        List<Point> ahead = new ArrayList<>(List.of(Point.of(path)));
        drawn(path, hours + hoursAhead, uvHours + uvShare * hoursAhead, hoursAhead, ahead);
        return new CloudingCourse(known, ahead);
    }

    /** In even steps, as many as its share of the whole asks for. */
    private static CloudingPath drawn(
            CloudingPath from, double toHours, double toUvHours, double whole, List<Point> points) {
        double hours = Math.max(0, toHours - from.hours());
        double uvHours = Math.max(0, toUvHours - from.uvHours());
        int steps = whole <= 0 ? 1 : Math.max(1, (int) Math.ceil(POINTS * hours / whole));
        CloudingPath path = from;
        for (int i = 0; i < steps; i++) {
            path = path.after(hours / steps, uvHours / steps);
            points.add(Point.of(path));
        }
        return path;
    }
}
