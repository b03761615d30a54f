package keel.core.placement;

import java.util.Arrays;

/**
 * What each cell of a film or screen has been through: UV hours and peels, summed over the runs whose place is known.
 * Grows run by run; adding the same runs in any order gives the same map but for rounding.
 */
public final class WearMap {

    private final PlateCells cells;
    private final double[] uvHours;
    private final double[] peels;

    private WearMap(PlateCells cells, double[] uvHours, double[] peels) {
        this.cells = cells;
        this.uvHours = uvHours;
        this.peels = peels;
    }

    public static WearMap empty(PlateCells cells) {
        return new WearMap(cells, new double[cells.count()], new double[cells.count()]);
    }

    /** @throws IllegalArgumentException if there are not as many values as cells */
    public static WearMap of(PlateCells cells, double[] uvHours, double[] peels) {
        if (uvHours.length != cells.count() || peels.length != cells.count()) {
            throw new IllegalArgumentException(
                    "The map has " + uvHours.length + " cells instead of " + cells.count() + ".");
        }
        return new WearMap(cells, uvHours.clone(), peels.clone());
    }

    /** Adds what a run gave to the cells that it covered. */
    public void add(Footprint footprint, double runUvHours, double layers) {
        Footprint.Coverage coverage = footprint.over(cells);
        for (int cell = 0; cell < uvHours.length; cell++) {
            uvHours[cell] += coverage.light()[cell] * runUvHours;
            peels[cell] += coverage.peel()[cell] * layers;
        }
    }

    public PlateCells cells() {
        return cells;
    }

    public double[] uvHours() {
        return uvHours.clone();
    }

    public double[] peels() {
        return peels.clone();
    }

    /** How it is spread, by UV hours. */
    public Spread spread() {
        return Spread.of(uvHours);
    }

    /** The same by peels. */
    public Spread spreadOfPeels() {
        return Spread.of(peels);
    }

    /**
     * How evenly something lies over the cells.
     *
     * @param unevenness coefficient of variation: standard deviation over mean; 0 where nothing is
     * @param worst the cell with most, {@code most} what it has
     */
    public record Spread(double mean, double unevenness, int worst, double most) {

        static Spread of(double[] values) {
            double sum = 0;
            double squares = 0;
            int worst = 0;
            for (int i = 0; i < values.length; i++) {
                sum += values[i];
                squares += values[i] * values[i];
                worst = values[i] > values[worst] ? i : worst;
            }
            double mean = sum / values.length;
            double deviation = Math.sqrt(Math.max(0, squares / values.length - mean * mean));
            return new Spread(mean, mean > 0 ? deviation / mean : 0, worst, values[worst]);
        }
    }

    /** Values of cells in rows from front to back, for a {@link WearGrid}. */
    public static double[][] rows(PlateCells cells, double[] values) {
        double[][] rows = new double[cells.deep()][];
        for (int row = 0; row < rows.length; row++) {
            rows[row] = Arrays.copyOfRange(values, row * cells.across(), (row + 1) * cells.across());
        }
        return rows;
    }
}
