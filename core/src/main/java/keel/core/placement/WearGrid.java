package keel.core.placement;

/**
 * Wear over a plate, in rows from front to back, each of as many values from left to right, stretched evenly. Sums over
 * any rectangle are exact, by a summed-area table (Crow 1984) with its sums interpolated within a cell, where wear is
 * even.
 */
public final class WearGrid {

    private static final int MOST_CELLS = 1_000_000;

    private final double width;
    private final double depth;
    private final int across;
    private final int deep;
    private final double[][] sums;

    private WearGrid(double width, double depth, int across, int deep, double[][] sums) {
        this.width = width;
        this.depth = depth;
        this.across = across;
        this.deep = deep;
        this.sums = sums;
    }

    /**
     * @param widthMm of the plate, left to right
     * @param depthMm front to back
     * @param rows front row first, at least one value; any unit, 0 or more
     * @throws IllegalArgumentException with a sentence, if the rows differ in length or a value cannot be
     */
    public static WearGrid of(double widthMm, double depthMm, double[][] rows) {
        int across = rows.length == 0 ? 0 : rows[0].length;
        if (across == 0 || (long) across * rows.length > MOST_CELLS) {
            throw new IllegalArgumentException("The wear must have at least one value, and a million at most.");
        }
        double[][] sums = new double[rows.length + 1][across + 1];
        double cell = widthMm / across * (depthMm / rows.length);
        for (int r = 0; r < rows.length; r++) {
            if (rows[r] == null || rows[r].length != across) {
                throw new IllegalArgumentException("Row " + (r + 1) + " of the wear is not as long as the first.");
            }
            for (int c = 0; c < across; c++) {
                double value = rows[r][c];
                if (!(value >= 0) || Double.isInfinite(value)) {
                    throw new IllegalArgumentException("Wear must be 0 or more: " + value + " in row " + (r + 1) + ".");
                }
                sums[r + 1][c + 1] = value * cell + sums[r][c + 1] + sums[r + 1][c] - sums[r][c];
            }
        }
        return new WearGrid(widthMm, depthMm, across, rows.length, sums);
    }

    /** Mean wear in a rectangle within the plate. */
    public double mean(double x, double y, double w, double d) {
        return (up(x + w, y + d) - up(x, y + d) - up(x + w, y) + up(x, y)) / (w * d);
    }

    /** Wear at a place. */
    double at(double x, double y) {
        int c = cell(x / width * across, across);
        int r = cell(y / depth * deep, deep);
        return (sums[r + 1][c + 1] - sums[r][c + 1] - sums[r + 1][c] + sums[r][c]) / (width / across * (depth / deep));
    }

    /** Sum over everything to the left and in front of a place. */
    private double up(double x, double y) {
        double cx = Math.max(0, Math.min(across, x / width * across));
        double cy = Math.max(0, Math.min(deep, y / depth * deep));
        int c = cell(cx, across);
        int r = cell(cy, deep);
        double fx = cx - c;
        double fy = cy - r;
        return (sums[r][c] * (1 - fx) + sums[r][c + 1] * fx) * (1 - fy)
                + (sums[r + 1][c] * (1 - fx) + sums[r + 1][c + 1] * fx) * fy;
    }

    private static int cell(double at, int count) {
        return Math.max(0, Math.min(count - 1, (int) at));
    }
}
