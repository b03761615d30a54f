package keel.app.bench.web;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.bench.Levels;
import keel.app.fleet.MachineRef;

/**
 * How the tilt of a plate drifted: what was left after each levelling, to the right and to the back, over time.
 *
 * @param across tilt to the right, as SVG points
 * @param deep tilt to the back
 * @param dots where the points are
 * @param good half height of the band in which a plate is good, px
 */
record DriftDrawing(String across, String deep, List<Dot> dots, double good, double most) {

    static final double MIDDLE = 60;
    private static final double LEFT = 10;
    private static final double RIGHT = 470;
    private static final double HALF = 50;

    record Dot(double x, double y, boolean across, Instant at, double tilt) {}

    /** Null for fewer than two levellings. */
    static DriftDrawing of(List<Levels.Earlier> earlier, MachineRef machine, double layerMm) {
        if (earlier.size() < 2) {
            return null;
        }
        double limit = 100 * layerMm / Math.max(machine.plateWidthMm(), machine.plateDepthMm());
        double most = Math.max(
                1.5 * limit,
                earlier.stream()
                        .mapToDouble(e -> Math.max(
                                Math.abs(e.level().tiltXMmPer100()),
                                Math.abs(e.level().tiltYMmPer100())))
                        .max()
                        .orElse(0));
        long from = earlier.get(earlier.size() - 1).at().toEpochMilli();
        long to = Math.max(from + 1, earlier.get(0).at().toEpochMilli());
        StringBuilder across = new StringBuilder();
        StringBuilder deep = new StringBuilder();
        List<Dot> dots = new ArrayList<>();
        for (int i = earlier.size() - 1; i >= 0; i--) {
            Levels.Earlier e = earlier.get(i);
            double x = LEFT + (RIGHT - LEFT) * (e.at().toEpochMilli() - from) / (to - from);
            double ya = MIDDLE - HALF * e.level().tiltXMmPer100() / most;
            double yd = MIDDLE - HALF * e.level().tiltYMmPer100() / most;
            across.append(String.format(Locale.ROOT, "%.1f,%.1f ", x, ya));
            deep.append(String.format(Locale.ROOT, "%.1f,%.1f ", x, yd));
            dots.add(new Dot(x, ya, true, e.at(), e.level().tiltXMmPer100()));
            dots.add(new Dot(x, yd, false, e.at(), e.level().tiltYMmPer100()));
        }
        return new DriftDrawing(across.toString().strip(), deep.toString().strip(), dots, HALF * limit / most, most);
    }
}
