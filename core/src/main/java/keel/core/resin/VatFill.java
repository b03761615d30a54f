package keel.core.resin;

/**
 * How deep resin stands in a vat of upright walls, and how much may go in. The plate displaces resin while it is down,
 * up to its own thickness.
 *
 * <p>Geometry; that with no fill line 6 mm (a quarter inch) stay below the rim with the plate down is common practice,
 * no published source.
 *
 * @param lengthMm inside, &gt; 0
 * @param widthMm inside, &gt; 0
 * @param depthMm from film to rim, &gt; 0
 */
public record VatFill(double lengthMm, double widthMm, double depthMm) {

    /** Least freeboard with the plate down, mm. */
    public static final double LEAST_FREEBOARD_MM = 6;

    public VatFill {
        if (!(lengthMm > 0 && widthMm > 0 && depthMm > 0)) {
            throw new IllegalArgumentException("The sides and the depth of a vat are more than 0.");
        }
    }

    /** The plate as the resin meets it: its area in mm² and its thickness in mm. */
    public record Displacer(double areaMm2, double thickMm) {}

    /** Depth with the plate up, mm. */
    public double depthOf(double ml) {
        return 1000 * ml / floorMm2();
    }

    /** Depth with the plate down on the film, mm; the rim does not hold it back. */
    public double depthWithPlate(double ml, Displacer plate) {
        double volume = 1000 * ml;
        double beside = floorMm2() - plate.areaMm2();
        boolean covers = beside <= 0 || volume > beside * plate.thickMm();
        return covers ? (volume + plate.areaMm2() * plate.thickMm()) / floorMm2() : volume / beside;
    }

    /** From the resin to the rim with the plate down, mm; below 0 it runs over. */
    public double freeboardMm(double ml, Displacer plate) {
        return depthMm - depthWithPlate(ml, plate);
    }

    /** The most that leaves the least freeboard with the plate down, ml; never below 0. */
    public double mostMl(Displacer plate) {
        double depth = depthMm - LEAST_FREEBOARD_MM;
        return Math.max(0, floorMm2() * depth - plate.areaMm2() * Math.min(depth, plate.thickMm())) / 1000;
    }

    private double floorMm2() {
        return lengthMm * widthMm;
    }
}
