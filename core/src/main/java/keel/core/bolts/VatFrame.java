package keel.core.bolts;

import keel.core.Findings;

/**
 * The film frame of a vat: the opening that the film spans, the screws that clamp the two rings together, and the bolts
 * that pull the ring into the vat. What a shop has not counted is null.
 *
 * @param windowLengthMm free opening along the long side, mm
 * @param windowWidthMm free opening along the short side, mm
 * @param clampRing clamp screws on a round ring; null where the frame is a rectangle
 * @param clampLong clamp screws along a long side of a rectangle, corners counted
 * @param clampShort the same along a short side
 * @param frameLong frame bolts along a long side, corners counted
 * @param frameShort the same along a short side
 */
public record VatFrame(
        Double windowLengthMm,
        Double windowWidthMm,
        Integer clampRing,
        Integer clampLong,
        Integer clampShort,
        Integer frameLong,
        Integer frameShort) {

    /** Nothing counted yet. */
    public static final VatFrame UNKNOWN = new VatFrame(null, null, null, null, null, null, null);

    private static final BoltFrame USUAL_CLAMP = BoltFrame.rectangle(9, 5);
    private static final BoltFrame USUAL_FRAME = BoltFrame.rectangle(4, 2);

    /** The clamp screws; 24 around a rectangle where they were not counted, which is common practice. */
    public BoltFrame clamp() {
        if (clampRing != null) {
            return BoltFrame.ring(clampRing);
        }
        return clampLong == null || clampShort == null ? USUAL_CLAMP : BoltFrame.rectangle(clampLong, clampShort);
    }

    /** The frame bolts; eight where they were not counted. */
    public BoltFrame bolts() {
        return frameLong == null || frameShort == null ? USUAL_FRAME : BoltFrame.rectangle(frameLong, frameShort);
    }

    /** Whether somebody counted the clamp screws. */
    public boolean counted() {
        return clampRing != null || clampLong != null && clampShort != null;
    }

    /** Adds what is wrong, at the fields as a form calls them. */
    public void check(Findings findings) {
        findings.rangeIfGiven(windowLengthMm, 10, 2000, "windowLengthMm", "The window's length", "mm");
        findings.rangeIfGiven(windowWidthMm, 10, 2000, "windowWidthMm", "The window's width", "mm");
        findings.when(
                clampRing != null && (clampLong != null || clampShort != null),
                "clampRing",
                "The clamp is either round or a rectangle: leave one of the two empty.");
        sound(findings, clampRing != null ? "clampRing" : "clampLong", this::clamp);
        findings.when(
                (clampLong == null) != (clampShort == null),
                clampLong == null ? "clampLong" : "clampShort",
                "Count the clamp screws along both sides, or leave both empty.");
        sound(findings, "frameLong", this::bolts);
        findings.when(
                (frameLong == null) != (frameShort == null),
                frameLong == null ? "frameLong" : "frameShort",
                "Count the frame bolts along both sides, or leave both empty.");
    }

    private static void sound(Findings findings, String field, Runnable frame) {
        try {
            frame.run();
        } catch (IllegalArgumentException e) {
            findings.add(field, e.getMessage());
        }
    }
}
