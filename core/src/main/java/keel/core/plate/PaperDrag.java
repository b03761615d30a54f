package keel.core.plate;

/**
 * How a sheet of paper drags under the plate, as a height where no gauge is at hand. Office paper is about a tenth of a
 * millimetre thick and gives by about half of that; common practice, no published source.
 */
public enum PaperDrag {
    TIGHT(-0.05),
    RIGHT(0),
    LOOSE(0.05);

    /** Spread of such a reading, mm. */
    public static final double SD_MM = 0.02;

    private final double heightMm;

    PaperDrag(double heightMm) {
        this.heightMm = heightMm;
    }

    /** Height of the plate there against a right drag, mm: up where the paper is loose. */
    public double heightMm() {
        return heightMm;
    }
}
