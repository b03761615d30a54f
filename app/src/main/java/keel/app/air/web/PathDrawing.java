package keel.app.air.web;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import keel.core.air.AirPath;
import keel.core.air.AirPlan;

/**
 * The way of the air, 1000 wide: the tube with its widths from the room on the left to outdoors on the right, under it
 * the pressure against the room.
 *
 * @param upper edge of the tube, {@code lower} likewise; {@code pressure} a line, {@code zeroY} where it is that of the
 *     room
 */
record PathDrawing(List<Cell> cells, String upper, String lower, String pressure, double zeroY, double mostPa) {

    static final double LEFT = 20;
    static final double RIGHT = 980;

    private static final double MIDDLE = 92;
    private static final double WIDEST = 62;
    private static final double PRESSURE_TOP = 206;
    private static final double PRESSURE_BOTTOM = 276;

    /** A part: its middle and width on the drawing, half the tube's height there, and what kind of mark it wears. */
    record Cell(
            String name,
            String mark,
            double x,
            double width,
            double half,
            double velocityMs,
            double lossPa,
            double gaugePa,
            double gaugeY) {

        /** Its name as it fits under it. */
        public String brief() {
            return mark.equals("fan") ? "Fan" : mark.equals("bend") ? name : name.split("[ ,]")[0];
        }

        /** What it takes; a fan gives. */
        public String takes() {
            return String.format(Locale.ROOT, lossPa < 0 ? "+%.1f Pa" : "−%.1f Pa", Math.abs(lossPa));
        }
    }

    static PathDrawing of(AirPath.Moved moved) {
        int n = moved.stations().size();
        double width = (RIGHT - LEFT) / n;
        double narrow = moved.stations().stream()
                .mapToDouble(AirPath.Station::velocityMs)
                .max()
                .orElse(1);
        double low = Math.min(
                0,
                moved.stations().stream()
                        .mapToDouble(AirPath.Station::gaugePa)
                        .min()
                        .orElse(0));
        double high = Math.max(
                0,
                moved.stations().stream()
                        .mapToDouble(AirPath.Station::gaugePa)
                        .max()
                        .orElse(0));
        double span = Math.max(1, high - low);
        List<Cell> cells = new ArrayList<>();
        StringBuilder upper = new StringBuilder();
        StringBuilder lower = new StringBuilder();
        StringBuilder pressure = new StringBuilder(String.format(Locale.ROOT, "M%.1f %.1f", LEFT, y(0, low, span)));
        for (int i = 0; i < n; i++) {
            AirPath.Station s = moved.stations().get(i);
            double half =
                    WIDEST / 2 * Math.min(1, Math.max(0.3, Math.sqrt(0.3 * narrow / Math.max(0.05, s.velocityMs()))));
            double from = LEFT + i * width;
            upper.append(String.format(
                    Locale.ROOT, "%s%.1f %.1fH%.1f", i == 0 ? "M" : "L", from + 8, MIDDLE - half, from + width - 8));
            lower.append(String.format(
                    Locale.ROOT, "%s%.1f %.1fH%.1f", i == 0 ? "M" : "L", from + 8, MIDDLE + half, from + width - 8));
            pressure.append(String.format(Locale.ROOT, "L%.1f %.1f", from + width, y(s.gaugePa(), low, span)));
            cells.add(new Cell(
                    s.name(),
                    mark(s),
                    from + width / 2,
                    width,
                    half,
                    s.velocityMs(),
                    s.lossPa(),
                    s.gaugePa(),
                    y(s.gaugePa(), low, span)));
        }
        return new PathDrawing(
                cells,
                upper.toString(),
                lower.toString(),
                pressure.toString(),
                y(0, low, span),
                Math.max(Math.abs(low), high));
    }

    private static double y(double pa, double low, double span) {
        return PRESSURE_BOTTOM - (PRESSURE_BOTTOM - PRESSURE_TOP) * (pa - low) / span;
    }

    private static String mark(AirPath.Station s) {
        return s.lossPa() < 0
                ? "fan"
                : s.name().startsWith("Mesh")
                        ? "mesh"
                        : s.name().startsWith("Flaps")
                                ? "flaps"
                                : s.name().startsWith("Gaps")
                                        ? "gaps"
                                        : s.name().startsWith("Collector")
                                                ? "collector"
                                                : s.name().startsWith("Outlet")
                                                        ? "outlet"
                                                        : s.name().contains("ose,")
                                                                        || s.name()
                                                                                .contains("hoses,")
                                                                ? "hose"
                                                                : s.name().contains("bend") ? "bend" : "plain";
    }

    /**
     * Fan and path over the flow, 420 by 240, and where they meet.
     *
     * @param fan polyline, {@code path} likewise
     */
    record Curves(String fan, String path, double x, double y, double mostFlow, double mostPa) {

        static final double WIDTH = 420;
        static final double HEIGHT = 240;
        private static final double LEFT = 46;
        private static final double BOTTOM = 204;
        private static final double TOP = 14;
        private static final double END = 408;

        static Curves of(List<AirPlan.Point> fan, AirPath.Moved moved) {
            double most = Math.max(
                    moved.flowM3H() * 1.25,
                    fan.stream().mapToDouble(AirPlan.Point::flowM3H).max().orElse(1));
            double pa = Math.max(
                            moved.pressurePa() * 1.25,
                            fan.stream()
                                    .mapToDouble(AirPlan.Point::pressurePa)
                                    .max()
                                    .orElse(1))
                    * 1.05;
            return new Curves(
                    line(fan, most, pa),
                    line(
                            moved.curve().stream()
                                    .filter(p -> p.flowM3H() <= most && p.pressurePa() <= pa)
                                    .toList(),
                            most,
                            pa),
                    x(moved.flowM3H(), most),
                    y(moved.pressurePa(), pa),
                    most,
                    pa);
        }

        private static String line(List<AirPlan.Point> points, double most, double pa) {
            StringBuilder path = new StringBuilder();
            points.stream()
                    .sorted(Comparator.comparing(AirPlan.Point::flowM3H))
                    .forEach(p -> path.append(String.format(
                            Locale.ROOT,
                            "%s%.1f %.1f",
                            path.length() == 0 ? "M" : "L",
                            x(p.flowM3H(), most),
                            y(p.pressurePa(), pa))));
            return path.toString();
        }

        private static double x(double flow, double most) {
            return LEFT + (END - LEFT) * flow / most;
        }

        private static double y(double p, double most) {
            return BOTTOM - (BOTTOM - TOP) * p / most;
        }
    }
}
