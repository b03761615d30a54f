package keel.core.air;

import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import keel.core.air.AirPlan.Point;

/**
 * Fans of usual kinds, none of any maker: rated points as such fans are commonly sold, for planning. Whoever has the
 * sheet of a real one types its points. Common practice, no source.
 *
 * @param diameterMm of its spigots
 */
public record Fan(String code, String name, double diameterMm, List<Point> points) {

    public static final List<Fan> USUAL = List.of(
            new Fan("cabinet-80", "Small axial fan, 80 mm", 80, points(0, 45, 40, 30, 75, 0)),
            new Fan("bathroom-100", "Bathroom fan, 100 mm", 100, points(0, 35, 50, 27, 95, 0)),
            new Fan("bathroom-100-strong", "Bathroom fan, strong, 100 mm", 100, points(0, 62, 85, 46, 170, 0)),
            new Fan("inline-100", "Duct fan, 100 mm", 100, points(0, 150, 100, 118, 180, 60, 240, 0)),
            new Fan("inline-125", "Duct fan, 125 mm", 125, points(0, 180, 180, 130, 320, 60, 400, 0)),
            new Fan("inline-150", "Duct fan, 150 mm", 150, points(0, 290, 260, 220, 480, 90, 560, 0)));

    private static List<Point> points(double... flowAndPressure) {
        return IntStream.range(0, flowAndPressure.length / 2)
                .mapToObj(i -> new Point(flowAndPressure[2 * i], flowAndPressure[2 * i + 1]))
                .toList();
    }

    public static Optional<Fan> called(String code) {
        return USUAL.stream().filter(f -> f.code().equals(code)).findFirst();
    }

    /** The next stronger one of the usual ones by what it moves freely. */
    public Optional<Fan> stronger() {
        double free = points.get(points.size() - 1).flowM3H();
        return USUAL.stream()
                .filter(f -> f.points().get(f.points().size() - 1).flowM3H() > free * 1.05)
                .findFirst();
    }
}
