package keel.app.film.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.condition.CloudingCourse;
import keel.core.condition.CloudingSeen;
import keel.core.film.Clouding;
import keel.core.run.Detail;

/**
 * How clear a film is over its hours, 620 wide: what was known at each age, with its looks; the spread of what is
 * coming; the level at which it ends.
 *
 * @param known band of what was known, {@code line} its middle; {@code fan} and {@code dashed} the same ahead
 * @param looks what was seen and metered
 * @param end y below which a usual print wants for light, null where that lies off the drawing
 * @param now x of now
 * @param grades y of each grade's usual clarity
 */
record ClarityDrawing(
        String known,
        String line,
        String fan,
        String dashed,
        List<Look> looks,
        Double end,
        double now,
        List<Tick> across,
        List<Tick> grades,
        String words) {

    static final double LEFT = 66;
    static final double RIGHT = 612;
    static final double TOP = 12;
    static final double BOTTOM = 176;
    private static final double LEAST_CLARITY = 0.62;
    private static final double TICKS = 5;

    /** A look: seen by the eye, or metered. */
    record Look(double x, double y, boolean metered, String title) {}

    /** A word beside an axis. */
    record Tick(double at, String words) {}

    /** @param madeUp loss that the present exposure makes up */
    static ClarityDrawing of(CloudingCourse course, List<CloudingSeen> seen, double madeUp) {
        List<CloudingCourse.Point> ahead = course.ahead();
        double now = ahead.get(0).hours();
        double most = Math.max(1, ahead.get(ahead.size() - 1).hours());
        double end = y(Math.exp(-madeUp - Detail.USUAL.bearsLoss()));
        List<Tick> grades = new ArrayList<>();
        for (Clouding g : Clouding.values()) {
            grades.add(new Tick(y(g.usualTransmittance() / Clouding.CLEAR.usualTransmittance()), g.words()));
        }
        return new ClarityDrawing(
                band(course.known(), most),
                line(course.known(), most),
                band(ahead, most),
                line(ahead, most),
                seen.stream().map(s -> look(s, most)).toList(),
                end >= BOTTOM ? null : Double.valueOf(end),
                x(now, most),
                ticks(most),
                grades,
                words(course, madeUp));
    }

    private static Look look(CloudingSeen s, double most) {
        boolean metered = s.transmittance() != null;
        double clarity = metered
                ? s.transmittance() / Clouding.CLEAR.usualTransmittance()
                : s.grade().usualTransmittance() / Clouding.CLEAR.usualTransmittance();
        return new Look(
                x(s.hours(), most),
                y(Math.min(1, clarity)),
                metered,
                String.format(
                        Locale.ROOT,
                        "%.0f h: %s",
                        s.hours(),
                        metered
                                ? String.format(Locale.ROOT, "%.0f %% of the UV passes", 100 * s.transmittance())
                                : s.grade().words().toLowerCase(Locale.ROOT)));
    }

    private static String words(CloudingCourse course, double madeUp) {
        double ends = madeUp + Detail.USUAL.bearsLoss();
        CloudingCourse.Point now = course.ahead().get(0);
        String is = String.format(
                Locale.ROOT,
                "It passes %.0f %% of a new film's light, %.0f to %.0f.",
                100 * Math.exp(-now.middle()),
                100 * Math.exp(-now.high()),
                100 * Math.exp(-now.low()));
        return course.ahead().stream()
                .filter(p -> p.middle() > ends)
                .findFirst()
                .map(p -> is
                        + (p == now
                                ? " That is too little for usual detail."
                                : String.format(
                                        Locale.ROOT,
                                        " Half such are too cloudy for usual detail in %.0f h more.",
                                        p.hours() - now.hours())))
                .orElse(is);
    }

    private static double x(double hours, double most) {
        return LEFT + (RIGHT - LEFT) * Math.min(1, hours / most);
    }

    private static double y(double clarity) {
        return BOTTOM - (BOTTOM - TOP) * Math.max(0, (clarity - LEAST_CLARITY) / (1 - LEAST_CLARITY));
    }

    private static double lossY(double loss) {
        return y(Math.exp(-loss));
    }

    private static String line(List<CloudingCourse.Point> points, double most) {
        StringBuilder path = new StringBuilder();
        for (CloudingCourse.Point p : points) {
            append(path, x(p.hours(), most), lossY(p.middle()));
        }
        return path.toString();
    }

    private static String band(List<CloudingCourse.Point> points, double most) {
        StringBuilder path = new StringBuilder();
        for (CloudingCourse.Point p : points) {
            append(path, x(p.hours(), most), lossY(p.low()));
        }
        for (int i = points.size() - 1; i >= 0; i--) {
            append(path, x(points.get(i).hours(), most), lossY(points.get(i).high()));
        }
        return path.append("Z").toString();
    }

    private static void append(StringBuilder path, double x, double y) {
        path.append(String.format(Locale.ROOT, "%s%.1f %.1f", path.isEmpty() ? "M" : "L", x, y));
    }

    private static List<Tick> ticks(double most) {
        double raw = most / TICKS;
        double ten = Math.pow(10, Math.floor(Math.log10(raw)));
        double step = raw / ten < 1.5 ? ten : raw / ten < 3.5 ? 2 * ten : raw / ten < 7.5 ? 5 * ten : 10 * ten;
        List<Tick> ticks = new ArrayList<>();
        for (double at = 0; at <= most; at += step) {
            ticks.add(new Tick(x(at, most), String.format(Locale.ROOT, "%.0f h", at)));
        }
        return ticks;
    }
}
