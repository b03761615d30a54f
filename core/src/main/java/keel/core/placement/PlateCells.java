package keel.core.placement;

/**
 * A plate in cells of about five millimetres that divide it evenly, numbered from the front left corner, row by row
 * from front to back. Five millimetres are common practice: finer than any part that is worth moving, coarse enough to
 * keep.
 */
public record PlateCells(double lengthMm, double widthMm) {

    private static final double ABOUT_MM = 5;

    /** @throws IllegalArgumentException unless both sides, left to right and front to back, are more than 0 */
    public PlateCells {
        if (!(lengthMm > 0) || !(widthMm > 0) || Double.isInfinite(lengthMm) || Double.isInfinite(widthMm)) {
            throw new IllegalArgumentException("A plate must be more than 0 mm: " + lengthMm + " × " + widthMm + ".");
        }
    }

    public int across() {
        return (int) Math.max(1, Math.round(lengthMm / ABOUT_MM));
    }

    public int deep() {
        return (int) Math.max(1, Math.round(widthMm / ABOUT_MM));
    }

    public int count() {
        return across() * deep();
    }

    /** Left to right. */
    public double cellLengthMm() {
        return lengthMm / across();
    }

    /** Front to back. */
    public double cellWidthMm() {
        return widthMm / deep();
    }

    /** Middle of a cell from the left. */
    public double xMm(int cell) {
        return (cell % across() + 0.5) * cellLengthMm();
    }

    /** Middle of a cell from the front. */
    public double yMm(int cell) {
        return (cell / across() + 0.5) * cellWidthMm();
    }
}
