package keel.core.film;

import keel.core.Findings;

/**
 * How the film of a model's vat sits in its frame, as far as somebody measured it; null is not known. Lengths in mm.
 *
 * @param cornerScrewMm length of the clamp screws at the corners, {@code sideScrewMm} of the others
 * @param spacerMm height of the block that gives the slack, above the clamp
 * @param pressMm how far the frame presses the film in, {@code lipMm} from the clamp to the lip that presses
 * @param sheetLengthMm least sheet that covers the ring, {@code sheetWidthMm} across
 * @param vatPrice of a whole vat, in the shop's money
 */
public record FilmSeat(
        Double cornerScrewMm,
        Double sideScrewMm,
        Double spacerMm,
        Double pressMm,
        Double lipMm,
        Double sheetLengthMm,
        Double sheetWidthMm,
        Double vatPrice) {

    public static final FilmSeat UNKNOWN = new FilmSeat(null, null, null, null, null, null, null, null);

    /** Strain that the slack is given for where nobody measured the frame; common practice, no source. */
    private static final double USUAL_STRAIN = 0.005;
    /** Tension that a film is meant to have where there is no reference, N/m; common practice, no source. */
    private static final double USUAL_TENSION = 600;

    /** Whether the clamp screws have two lengths. */
    public boolean mixedScrews() {
        return cornerScrewMm != null && sideScrewMm != null && !cornerScrewMm.equals(sideScrewMm);
    }

    /** Whether the take-up can be reckoned. */
    public boolean measured() {
        return pressMm != null && lipMm != null;
    }

    /** The bulge that the film is given over the block: by the take-up of this frame, or as usual. */
    public SlackSpacer slack(double spanMm, double thicknessMm) {
        return measured()
                ? SlackSpacer.forTension(spanMm, pressMm, lipMm, USUAL_TENSION, thicknessMm)
                : SlackSpacer.forStrain(spanMm, USUAL_STRAIN);
    }

    /** Adds what cannot be. */
    public void check(Findings findings) {
        range(findings, cornerScrewMm, 2, 60, "cornerScrewMm", "The length of the corner screws");
        range(findings, sideScrewMm, 2, 60, "sideScrewMm", "The length of the other screws");
        range(findings, spacerMm, 0.2, 60, "spacerMm", "The height of the block");
        range(findings, pressMm, 0.2, 40, "pressMm", "How far the frame presses");
        range(findings, lipMm, 1, 200, "lipMm", "From clamp to lip");
        range(findings, sheetLengthMm, 20, 5000, "sheetLengthMm", "The length of a sheet");
        range(findings, sheetWidthMm, 20, 5000, "sheetWidthMm", "The width of a sheet");
        findings.rangeIfGiven(vatPrice, 0, 1_000_000, "vatPrice", "The price of a vat", "");
        findings.when(
                (pressMm == null) != (lipMm == null),
                pressMm == null ? "pressMm" : "lipMm",
                "The take-up needs both: how far the frame presses, and from clamp to lip.");
    }

    private static void range(Findings findings, Double value, double low, double high, String field, String what) {
        findings.rangeIfGiven(value, low, high, field, what, "mm");
    }
}
