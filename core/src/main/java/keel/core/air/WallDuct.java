package keel.core.air;

import java.util.List;
import java.util.Locale;
import keel.core.Findings;

/**
 * A pipe through a wall, falling outward so that rain stays out. Common practice, no source; what is in a wall, and
 * whether it may be cut, licensed people say.
 */
public record WallDuct(double wallMm, double pipeMm) {

    /** How far the pipe stands out on both sides. */
    public static final double OVER_MM = 20;

    private static final double FALL = 0.02;
    private static final double CLEARANCE_MM = 4;

    public void check(Findings findings) {
        findings.range(wallMm, 20, 1500, "wallMm", "The wall", "mm");
        findings.range(pipeMm, 40, 400, "pipeMm", "The pipe", "mm");
    }

    public double holeMm() {
        return pipeMm + 2 * CLEARANCE_MM;
    }

    /** How much lower its outer end lies. */
    public double fallMm() {
        return FALL * wallMm;
    }

    public List<WindowPanel.Cut> cuts() {
        return List.of(
                new WindowPanel.Cut(
                        "pipe",
                        1,
                        Math.hypot(wallMm, fallMm()) + 2 * OVER_MM,
                        null,
                        String.format(Locale.ROOT, "%.0f mm wide; stands out %.0f mm on both sides", pipeMm, OVER_MM)),
                new WindowPanel.Cut(
                        "hole in the wall",
                        1,
                        holeMm(),
                        null,
                        String.format(Locale.ROOT, "diameter; its outer end %.0f mm lower than the inner", fallMm())),
                new WindowPanel.Cut(
                        "hood with flaps", 1, pipeMm, null, "outside, opening downward; a mesh in it that comes out"),
                new WindowPanel.Cut("plate with collar", 1, pipeMm, null, "inside; the hose on it with a metal clamp"),
                new WindowPanel.Cut("sealing", 2, Math.PI * holeMm(), null, "round the pipe on both sides"));
    }
}
