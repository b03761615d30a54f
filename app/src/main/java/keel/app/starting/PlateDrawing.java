package keel.app.starting;

import java.util.List;
import java.util.Locale;
import keel.app.standing.WearLevels;
import keel.core.placement.PlacedPart;
import keel.core.placement.PlateCells;

/**
 * The plate from above in mm, front edge below: wear as hatching that grows denser, spots to keep off, where the job
 * goes.
 *
 * @param levels outlines of the cells that are worn more than each level, lightest first
 * @param worst the most worn cell, null where nothing is worn
 * @param words the same as a sentence
 */
public record PlateDrawing(
        double length,
        double width,
        List<String> levels,
        Worst worst,
        List<Spot> spots,
        List<Outline> places,
        List<Outline> middle,
        String words) {

    private static final double LEAST_R = 1.2;

    /** The most worn cell, its middle from the top left. */
    public record Worst(double x, double y, double w, double d) {}

    /** A place to keep off, its middle from the top left; {@code corner} is the radius of its corners. */
    public record Spot(double x, double y, double rx, double ry, double corner, String kind, String words) {

        static Spot of(Plate.Spot s, double depth) {
            double r = Math.max(LEAST_R, s.sizeMm() / 2);
            boolean round = s.onScreen() == null || s.onScreen().round();
            return new Spot(
                    s.xMm(),
                    depth - s.yMm(),
                    round ? r : Math.max(LEAST_R / 3, s.onScreen().halfAcross()),
                    round ? r : Math.max(LEAST_R / 3, s.onScreen().halfDeep()),
                    round ? r : 0,
                    s.onScreen() == null ? "film" : "screen",
                    s.words());
        }
    }

    /** A rectangle as an outline, its middle from the top left, and its size in words. */
    public record Outline(String points, double x, double y, String words) {}

    public static PlateDrawing of(
            PlateCells cells,
            double[] wear,
            List<Plate.Spot> spots,
            List<PlacedPart> places,
            List<PlacedPart> middle,
            String words) {
        int worst = 0;
        for (int cell = 0; cell < wear.length; cell++) {
            worst = wear[cell] > wear[worst] ? cell : worst;
        }
        double d = cells.widthMm();
        return new PlateDrawing(
                cells.lengthMm(),
                d,
                WearLevels.of(cells, wear).paths(),
                wear[worst] > 0
                        ? new Worst(cells.xMm(worst), d - cells.yMm(worst), cells.cellLengthMm(), cells.cellWidthMm())
                        : null,
                spots.stream().map(s -> Spot.of(s, d)).toList(),
                places.stream().map(p -> outline(p, d)).toList(),
                middle.stream().map(p -> outline(p, d)).toList(),
                words);
    }

    private static Outline outline(PlacedPart p, double depth) {
        StringBuilder points = new StringBuilder();
        double[] c = p.corners();
        for (int i = 0; i < c.length; i += 2) {
            points.append(String.format(Locale.ROOT, "%s%.1f,%.1f", i == 0 ? "" : " ", c[i], depth - c[i + 1]));
        }
        return new Outline(
                points.toString(),
                p.xMm(),
                depth - p.yMm(),
                String.format(Locale.ROOT, "%.0f × %.0f", p.lengthMm(), p.widthMm()));
    }
}
