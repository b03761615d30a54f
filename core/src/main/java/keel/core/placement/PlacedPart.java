package keel.core.placement;

/**
 * A rectangle on the plate, mm.
 *
 * @param xMm its middle from the left, {@code yMm} from the front
 * @param lengthMm along x before it is turned, {@code widthMm} across
 * @param rotationDeg counter-clockwise, 0 up to 180
 */
public record PlacedPart(double xMm, double yMm, double lengthMm, double widthMm, int rotationDeg) {

    /** @throws IllegalArgumentException with a sentence, if it is none */
    public PlacedPart {
        if (!(lengthMm > 0) || !(widthMm > 0) || Double.isInfinite(lengthMm) || Double.isInfinite(widthMm)) {
            throw new IllegalArgumentException(
                    "A footprint must be more than 0 mm: " + lengthMm + " × " + widthMm + ".");
        }
        if (Double.isNaN(xMm + yMm) || Double.isInfinite(xMm) || Double.isInfinite(yMm)) {
            throw new IllegalArgumentException("The place of a footprint is missing.");
        }
        rotationDeg = Math.floorMod(rotationDeg, 180);
    }

    /** By its front left corner, as it lies. */
    public static PlacedPart atCorner(double x, double y, double lengthMm, double widthMm) {
        return new PlacedPart(x + lengthMm / 2, y + widthMm / 2, lengthMm, widthMm, 0);
    }

    /** Its corners, x and y by turns, counter-clockwise. */
    public double[] corners() {
        double cos = Math.cos(Math.toRadians(rotationDeg));
        double sin = Math.sin(Math.toRadians(rotationDeg));
        double[] corners = new double[8];
        double[][] signs = {{-1, -1}, {1, -1}, {1, 1}, {-1, 1}};
        for (int i = 0; i < signs.length; i++) {
            double along = signs[i][0] * lengthMm / 2;
            double across = signs[i][1] * widthMm / 2;
            corners[2 * i] = xMm + along * cos - across * sin;
            corners[2 * i + 1] = yMm + along * sin + across * cos;
        }
        return corners;
    }

    /** Half of what it takes from left to right once it is turned. */
    public double halfAcross() {
        return (lengthMm * Math.abs(Math.cos(Math.toRadians(rotationDeg)))
                        + widthMm * Math.abs(Math.sin(Math.toRadians(rotationDeg))))
                / 2;
    }

    /** Half of what it takes from front to back once it is turned. */
    public double halfDeep() {
        return (lengthMm * Math.abs(Math.sin(Math.toRadians(rotationDeg)))
                        + widthMm * Math.abs(Math.cos(Math.toRadians(rotationDeg))))
                / 2;
    }

    /** Whether a round of that radius about a place touches it, as it lies, by its reach across and deep. */
    public boolean reaches(double x, double y, double radiusMm) {
        return Math.abs(x - xMm) <= halfAcross() + radiusMm && Math.abs(y - yMm) <= halfDeep() + radiusMm;
    }

    /** Whether it lies on the plate; a tenth of a millimetre over the edge is let pass. */
    public boolean within(double plateLengthMm, double plateWidthMm) {
        return xMm - halfAcross() > -0.1
                && yMm - halfDeep() > -0.1
                && xMm + halfAcross() < plateLengthMm + 0.1
                && yMm + halfDeep() < plateWidthMm + 0.1;
    }

    boolean straight() {
        return rotationDeg % 90 == 0;
    }
}
