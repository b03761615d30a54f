package keel.core.light;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * Exposure that gives the same dose under less light: t·I_then/I_now. Dose is what counts (Bunsen–Roscoe
 * reciprocity; the working curve of Jacobs 1992, ch. 4, depends on dose alone).
 *
 * @param factor on every exposure
 * @param exposureS of a layer
 * @param sense whether it helps
 * @param words why, in sentences
 */
public record ExposureForLight(double factor, double exposureS, Sense sense, List<String> words) {

    /** Changes below this are within what meters and resins scatter. */
    private static final double NOT_WORTH_IT = 0.03;
    /**
     * Common practice, no source: beyond this the heat of the longer light shortens the screen's life more than it
     * helps.
     */
    private static final double MOST = 1.3;

    /** Whether to do it. */
    public enum Sense {
        NONE_NEEDED,
        HELPS,
        ONLY_COSTS_SCREEN
    }

    /**
     * @param exposureS of a layer as the profile says, s
     * @param then mean light when it was found, {@code now} likewise; same meter
     * @param now the map of now
     * @param hasScreen whether the light passes a screen that wears by it
     * @throws IllegalArgumentException if a number is not more than 0
     */
    public static ExposureForLight of(double exposureS, double then, UvMap now, boolean hasScreen) {
        if (!(exposureS > 0) || !(then > 0) || !(now.mean() > 0)) {
            throw new IllegalArgumentException("Exposure and light must be more than 0.");
        }
        double factor = then / now.mean();
        List<String> words = new ArrayList<>();
        Sense sense = Sense.HELPS;
        if (Math.abs(factor - 1) < NOT_WORTH_IT) {
            sense = Sense.NONE_NEEDED;
            words.add("The light is what it was, within what a meter scatters.");
        } else if (factor > MOST) {
            sense = Sense.ONLY_COSTS_SCREEN;
            words.add(String.format(
                    Locale.ROOT,
                    "The light is down to %.0f %%: so much longer under it %s Look for the cause: dust, haze, a dim "
                            + "light engine.",
                    100 / factor,
                    hasScreen ? "only shortens the screen's life." : "makes every print longer and mends nothing."));
        } else {
            words.add(String.format(
                    Locale.ROOT,
                    "%s by %.0f %% gives the resin the dose that it had.",
                    factor > 1 ? "Longer" : "Shorter",
                    100 * Math.abs(factor - 1)));
            if (hasScreen && factor > 1) {
                words.add(String.format(
                        Locale.ROOT,
                        "The screen gets that many more UV hours in every print: its life in prints shrinks by %.0f "
                                + "%%.",
                        100 * (1 - 1 / factor)));
            }
        }
        if (!now.even()) {
            words.add(String.format(
                    Locale.ROOT,
                    "No exposure evens it out: the dimmest place gets %.0f %% of the brightest. What is right there "
                            + "bleeds elsewhere.",
                    100 * now.uniformity()));
        }
        return new ExposureForLight(factor, sense == Sense.NONE_NEEDED ? exposureS : exposureS * factor, sense, words);
    }
}
