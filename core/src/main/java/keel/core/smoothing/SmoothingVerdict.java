package keel.core.smoothing;

import java.util.List;

/**
 * What the piece with faces to both axes tells of a machine's edge smoothing. Common practice, no source.
 *
 * @param result in one word
 * @param words the same in a sentence
 * @param cause that it speaks for, by its code; null for none
 * @param workaround how to live with it; null where there is nothing to live with
 * @param beyondHelp shapes that the workaround cannot help
 */
public record SmoothingVerdict(Result result, String words, String cause, String workaround, List<String> beyondHelp) {

    /** What was found. */
    public enum Result {
        SMOOTH,
        ONE_AXIS,
        OFF,
        ODD
    }

    /**
     * @param stepsX lines on the faces square to X, the tab's side and the one across from it; {@code stepsY} on the
     *     two others; {@code stepsBetween} on the four between
     * @param profile whether the profile asks for smoothing; null where it is not known
     */
    public static SmoothingVerdict of(boolean stepsX, boolean stepsY, boolean stepsBetween, Boolean profile) {
        if (!stepsX && !stepsY && !stepsBetween) {
            return new SmoothingVerdict(
                    Result.SMOOTH,
                    "Alike on both axes and between: smoothing works on this machine.",
                    null,
                    null,
                    List.of());
        }
        if (stepsX && stepsY) {
            return new SmoothingVerdict(
                    Result.OFF,
                    Boolean.TRUE.equals(profile)
                            ? "Lines on both axes though the profile asks for smoothing: the file was made without "
                                    + "it, or it never reaches the controller."
                            : "Lines on both axes: smoothing is off. The profile decides.",
                    "smoothing-off",
                    null,
                    List.of());
        }
        if (stepsX || stepsY) {
            String axis = stepsX ? "X" : "Y";
            return new SmoothingVerdict(
                    Result.ONE_AXIS,
                    "Lines on the faces square to " + axis + " only: it smooths on one axis."
                            + (stepsBetween ? " The faces between show them too." : ""),
                    "smoothing-one-axis",
                    stepsBetween
                            ? "Turn plain faces square to " + (stepsX ? "Y" : "X") + "."
                            : "Turn parts with plain faces by 45° about Z, or shift them by a fraction of a pixel.",
                    List.of(
                            "Spheres, cylinders, cones: they have faces to every side, one of them is always square to "
                                    + axis + ".",
                            "Boxes with plain faces to both axes, where 45° does not fit the plate."));
        }
        return new SmoothingVerdict(
                Result.ODD,
                "Lines only between the axes: that is no smoothing fault. Look at the file, and at rows with very "
                        + "many grey pixels.",
                "data-glitch",
                null,
                List.of());
    }
}
