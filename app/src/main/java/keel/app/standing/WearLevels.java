package keel.app.standing;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.placement.PlateCells;

/**
 * Wear of cells as it is drawn: regions that are worn more than a level, each hatched over the one before, so that the
 * lines grow denser with the wear.
 *
 * @param paths outlines in mm from the back left corner, lightest level first; empty ones where nothing is worn
 */
public record WearLevels(List<String> paths) {

    /** Levels as shares of the most worn cell. */
    private static final double[] FROM = {0.12, 0.35, 0.6, 0.85};

    /** @param wear of each cell, in any unit */
    public static WearLevels of(PlateCells cells, double[] wear) {
        double most = 0;
        for (double value : wear) {
            most = Math.max(most, value);
        }
        List<String> paths = new ArrayList<>();
        for (double from : FROM) {
            paths.add(most > 0 ? region(cells, wear, from * most) : "");
        }
        return new WearLevels(paths);
    }

    /** Cells above a level, as runs along the rows. */
    private static String region(PlateCells cells, double[] wear, double above) {
        StringBuilder path = new StringBuilder();
        for (int row = 0; row < cells.deep(); row++) {
            int column = 0;
            while (column < cells.across()) {
                int from = column;
                while (column < cells.across() && wear[row * cells.across() + column] > above) {
                    column++;
                }
                if (column > from) {
                    path.append(String.format(
                            Locale.ROOT,
                            "M%.2f %.2fh%.2fv%.2fh%.2fz",
                            from * cells.cellLengthMm(),
                            cells.widthMm() - (row + 1) * cells.cellWidthMm(),
                            (column - from) * cells.cellLengthMm(),
                            cells.cellWidthMm() + 0.02,
                            -(column - from) * cells.cellLengthMm()));
                }
                column++;
            }
        }
        return path.toString();
    }
}
