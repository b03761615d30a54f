package keel.app.prints.order;

import keel.core.Findings;

/**
 * A part as somebody wants it.
 *
 * @param id null for one that is new
 * @param widthMm sides of one piece on the plate and its height, mm; each null where nobody says
 * @param ml resin of one piece, null likewise
 */
public record PartEntry(
        Long id, String name, Integer wanted, Double widthMm, Double depthMm, Double heightMm, Double ml) {

    private static final int MOST = 5000;
    private static final double MOST_MM = 2000;
    private static final double MOST_ML = 20_000;

    public static PartEntry of(String name, Integer wanted) {
        return new PartEntry(null, name, wanted, null, null, null, null);
    }

    public boolean sized() {
        return widthMm != null && depthMm != null;
    }

    void check(String at, Findings findings) {
        findings.text(name, 80, at + ".name", "What the part is called");
        findings.when(
                wanted == null || wanted < 1 || wanted > MOST,
                at + ".wanted",
                "How many pieces are wanted is a whole number from 1 to " + MOST + ".");
        findings.rangeIfGiven(widthMm, 0.1, MOST_MM, at + ".widthMm", "Its width", "mm");
        findings.rangeIfGiven(depthMm, 0.1, MOST_MM, at + ".depthMm", "Its depth", "mm");
        findings.rangeIfGiven(heightMm, 0.1, MOST_MM, at + ".heightMm", "Its height", "mm");
        findings.rangeIfGiven(ml, 0.001, MOST_ML, at + ".ml", "What a piece takes of resin", "ml");
    }
}
