package keel.app.bench.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.plate.PlateLevel;

/**
 * The plate in perspective: as it should lie, dashed, and as it lies, with its tilt drawn larger by a stated factor.
 *
 * @param level outline of a level plate, as SVG points
 * @param tilted outline of this plate
 * @param factor by how much heights are drawn larger
 * @param marks what stands at the corners
 */
record LevelDrawing(String level, String tilted, int factor, List<Mark> marks) {

    private static final double ACROSS = 300;
    private static final double SLANT = 0.45;
    private static final double RISE_PX = 56;
    private static final double LEFT = 30;
    private static final double FRONT = 192;

    /** A corner: px, height against the highest in mm, and whether to press there. */
    record Mark(double x, double y, double lowByMm, boolean press) {}

    static LevelDrawing of(PlateLevel plate, double widthMm, double depthMm) {
        double a = plate.tiltXMmPer100() / 100;
        double b = plate.tiltYMmPer100() / 100;
        double[] heights = {0, a * widthMm, a * widthMm + b * depthMm, b * depthMm};
        double highest = Math.max(Math.max(heights[0], heights[1]), Math.max(heights[2], heights[3]));
        double rise = Math.max(plate.lowByMm(), 1e-9);
        int factor = plate.lowByMm() < 0.005 ? 100 : (int) Math.max(1, Math.round(RISE_PX / (rise * ACROSS / widthMm)));
        double px = ACROSS / widthMm;
        PlateLevel.Corner[] corners = {
            PlateLevel.Corner.FRONT_LEFT,
            PlateLevel.Corner.FRONT_RIGHT,
            PlateLevel.Corner.BACK_RIGHT,
            PlateLevel.Corner.BACK_LEFT
        };
        double[][] places = {{0, 0}, {widthMm, 0}, {widthMm, depthMm}, {0, depthMm}};
        StringBuilder level = new StringBuilder();
        StringBuilder tilted = new StringBuilder();
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            double x = LEFT + (places[i][0] + places[i][1] * SLANT) * px;
            double y = FRONT - places[i][1] * SLANT * px;
            double low = highest - heights[i];
            double drop = low * factor * px;
            level.append(point(x, y - RISE_PX));
            tilted.append(point(x, y - RISE_PX + drop));
            marks.add(new Mark(x, y - RISE_PX + drop, low, corners[i] == plate.lowCorner()));
        }
        return new LevelDrawing(level.toString().strip(), tilted.toString().strip(), factor, marks);
    }

    private static String point(double x, double y) {
        return String.format(Locale.ROOT, "%.1f,%.1f ", x, y);
    }
}
