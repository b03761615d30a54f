package keel.core.air;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.Findings;

/**
 * A board for an open window, held by foam all round, with a hole for the duct's flange. Nothing is screwed to the
 * frame.
 *
 * <p>Foam is squeezed to seven tenths of its free width, the hole is a millimetre wider than the flange all round.
 * Common practice, no source.
 *
 * @param widthMm opening, inside the frame, as measured; {@code heightMm} likewise
 * @param gapMm between board and frame, on each side
 * @param flangeMm diameter of the duct's flange that goes through
 * @param holeXMm centre of the hole from the board's left edge; {@code holeYMm} from its lower edge
 */
public record WindowPanel(
        double widthMm,
        double heightMm,
        double gapMm,
        double thicknessMm,
        double flangeMm,
        double holeXMm,
        double holeYMm,
        boolean handles) {

    private static final double SQUEEZED_TO = 0.7;
    private static final double CLEARANCE_MM = 1;
    private static final double RIM_MM = 40;
    private static final double HANDLE_MM = 110;

    /** A piece to cut. */
    public record Cut(String what, int count, double lengthMm, Double widthMm, String note) {}

    /** With the hole in the middle of the board's width, a little above the middle of its height. */
    public static WindowPanel middle(
            double widthMm, double heightMm, double gapMm, double thicknessMm, double flangeMm, boolean handles) {
        return new WindowPanel(
                widthMm,
                heightMm,
                gapMm,
                thicknessMm,
                flangeMm,
                (widthMm - 2 * gapMm) / 2,
                (heightMm - 2 * gapMm) * 0.55,
                handles);
    }

    public void check(Findings findings) {
        findings.range(widthMm, 100, 3000, "widthMm", "The width of the opening", "mm");
        findings.range(heightMm, 100, 3000, "heightMm", "The height of the opening", "mm");
        findings.range(gapMm, 2, 40, "gapMm", "The gap", "mm");
        findings.range(thicknessMm, 2, 50, "thicknessMm", "The board", "mm");
        findings.range(flangeMm, 40, 400, "flangeMm", "The flange", "mm");
        if (findings.none()) {
            double r = holeMm() / 2 + RIM_MM;
            findings.when(
                    holeXMm < r || holeXMm > boardWidthMm() - r || holeYMm < r || holeYMm > boardHeightMm() - r,
                    "flangeMm",
                    String.format(
                            Locale.ROOT,
                            "The hole must keep %.0f mm from the edges of a board of %.0f by %.0f mm.",
                            RIM_MM,
                            boardWidthMm(),
                            boardHeightMm()));
        }
    }

    public double boardWidthMm() {
        return widthMm - 2 * gapMm;
    }

    public double boardHeightMm() {
        return heightMm - 2 * gapMm;
    }

    public double holeMm() {
        return flangeMm + 2 * CLEARANCE_MM;
    }

    /** Free width of the foam, before it is squeezed into the gap. */
    public double foamMm() {
        return gapMm / SQUEEZED_TO;
    }

    /** Whether there is room for two handles beside the hole. */
    public boolean handlesFit() {
        return handles && holeXMm - holeMm() / 2 > HANDLE_MM + 20;
    }

    public List<Cut> cuts() {
        List<Cut> cuts = new ArrayList<>(List.of(
                new Cut(
                        "board",
                        1,
                        boardWidthMm(),
                        boardHeightMm(),
                        String.format(
                                Locale.ROOT, "%.0f mm thick; the opening less the gap on both sides", thicknessMm)),
                new Cut("hole in it", 1, holeMm(), null, "diameter; a saw of that size, edges smoothed"),
                new Cut(
                        "foam strip, top and bottom",
                        2,
                        boardWidthMm() + 2 * gapMm,
                        thicknessMm,
                        String.format(Locale.ROOT, "%.0f mm thick before it is squeezed; over the corners", foamMm())),
                new Cut(
                        "foam strip, sides",
                        2,
                        boardHeightMm(),
                        thicknessMm,
                        String.format(Locale.ROOT, "%.0f mm thick before it is squeezed", foamMm())),
                new Cut(
                        "insect mesh",
                        1,
                        holeMm() + 60,
                        holeMm() + 60,
                        "in a frame that comes off without tools: it clogs"),
                new Cut(
                        "flange with flaps that hang shut",
                        1,
                        flangeMm,
                        null,
                        "outside; the duct goes on from inside with a metal clamp")));
        if (handles) {
            cuts.add(new Cut(
                    "handles",
                    2,
                    HANDLE_MM,
                    null,
                    handlesFit()
                            ? "beside the hole, at half the height"
                            : "where there is room: not beside this hole"));
        }
        return cuts;
    }
}
