package keel.core.air;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.Findings;

/**
 * A box of board that joins several outlets into one hose: the outlets in its front, side by side, the hose in its
 * back. Common practice, no source.
 *
 * @param outlets side by side, {@code outletMm} each
 * @param hoseMm diameter of the hose
 * @param thicknessMm of the board
 */
public record CollectorBox(int outlets, double outletMm, double hoseMm, double thicknessMm) {

    private static final double RIM_MM = 25;
    private static final double CLEARANCE_MM = 1;

    public void check(Findings findings) {
        findings.range((double) outlets, 1, 8, "outlets", "The outlets", "");
        findings.range(outletMm, 20, 300, "outletMm", "An outlet", "mm");
        findings.range(hoseMm, 40, 400, "hoseMm", "The hose", "mm");
        findings.range(thicknessMm, 2, 30, "thicknessMm", "The board", "mm");
    }

    /** Inside, mm. */
    public double widthMm() {
        return Math.max(outlets * (outletMm + RIM_MM) + RIM_MM, hoseMm + 2 * RIM_MM);
    }

    public double heightMm() {
        return Math.max(outletMm, hoseMm) + 2 * RIM_MM;
    }

    /** As deep as the hose is wide, so that the air can turn. */
    public double depthMm() {
        return hoseMm;
    }

    /** Diameter of the holes in the front. */
    public double outletHoleMm() {
        return outletMm + 2 * CLEARANCE_MM;
    }

    /** Diameter of the hole in the back. */
    public double hoseHoleMm() {
        return hoseMm + 2 * CLEARANCE_MM;
    }

    public List<WindowPanel.Cut> cuts() {
        double t = thicknessMm;
        List<WindowPanel.Cut> cuts = new ArrayList<>();
        cuts.add(new WindowPanel.Cut(
                "front and back", 2, widthMm() + 2 * t, heightMm() + 2 * t, "over the edges of the sides"));
        cuts.add(new WindowPanel.Cut("top and bottom", 2, widthMm() + 2 * t, depthMm(), "between front and back"));
        cuts.add(new WindowPanel.Cut("sides", 2, depthMm(), heightMm(), "between top and bottom"));
        cuts.add(new WindowPanel.Cut(
                outlets == 1 ? "hole in the front" : "holes in the front",
                outlets,
                outletHoleMm(),
                null,
                String.format(Locale.ROOT, "diameter; middles %.0f mm apart", widthMm() / outlets)));
        cuts.add(new WindowPanel.Cut(
                "hole in the back", 1, hoseHoleMm(), null, "diameter; for the hose's collar, in the middle"));
        cuts.add(new WindowPanel.Cut(
                "sealing",
                1,
                4 * (widthMm() + heightMm()) + 4 * depthMm(),
                null,
                "tape or sealant along all seams; one side screwed, so that it opens"));
        return cuts;
    }
}
