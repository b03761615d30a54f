package keel.core.preflight;

import java.util.List;

/**
 * A thing as seen from one side, in cells.
 *
 * @param across cells to the right, {@code high} cells down
 * @param widthMm how wide all cells together are, {@code heightMm} how high
 * @param runs where something is: row from the top, first cell, cell after the last
 */
public record Silhouette(int across, int high, double widthMm, double heightMm, List<Run> runs) {

    /** Cells side by side. */
    public record Run(int row, int from, int to) {}
}
