package keel.core.plate;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * How a machine on four feet stands, and what makes it stand right: x to the right, y to the back, seen from the front.
 *
 * <p>Geometry only; that a machine must not rock and must be level is common practice, no published source.
 *
 * @param foot the foot that takes the shim; NONE where nothing is needed
 * @param shimMm thickness of the shim, mm
 */
public record Stance(Foot foot, double shimMm) {

    /** Shims thinner than this are not worth cutting: paper. */
    public static final double LEAST_SHIM_MM = 0.1;

    private static final double STEEPEST_MM_PER_M = 100;

    private static final List<Foot> CORNERS =
            List.of(Foot.FRONT_LEFT, Foot.FRONT_RIGHT, Foot.BACK_LEFT, Foot.BACK_RIGHT);

    public enum Foot {
        FRONT_LEFT,
        FRONT_RIGHT,
        BACK_LEFT,
        BACK_RIGHT,
        LEFT,
        RIGHT,
        FRONT,
        BACK,
        NONE
    }

    /**
     * One side to lift so that a level reads nothing: span times slope.
     *
     * @param risesMmPerM what the level reads, mm/m, positive where it rises to the right (or back)
     * @param spanMm distance between the feet that way, mm
     * @param across true for a reading from left to right, false for one from front to back
     */
    public static Stance level(double risesMmPerM, double spanMm, boolean across) {
        check(spanMm);
        if (!(Math.abs(risesMmPerM) <= STEEPEST_MM_PER_M)) {
            throw new IllegalArgumentException(
                    "A slope of " + risesMmPerM + " mm/m is not believable for a bench. Look at the unit.");
        }
        double shim = Math.abs(risesMmPerM) * spanMm / 1000;
        Foot low = across ? risesMmPerM > 0 ? Foot.LEFT : Foot.RIGHT : risesMmPerM > 0 ? Foot.FRONT : Foot.BACK;
        return shim < LEAST_SHIM_MM ? new Stance(Foot.NONE, 0) : new Stance(low, shim);
    }

    /** A reading in degrees as a slope, mm/m. */
    public static double mmPerMetre(double degrees) {
        return 1000 * Math.tan(Math.toRadians(degrees));
    }

    /**
     * The short foot of a machine that rocks. It rocks about the diagonal of the two feet that always touch; the corner
     * that lifts when the one across is pressed is short by the gap under it.
     *
     * @param lifts the corner with the gap when the machine rests on the other three
     * @param gapMm gap under it, by feeler gauge or sheets of paper, mm
     */
    public static Stance rocking(Foot lifts, double gapMm) {
        if (!(gapMm >= 0) || gapMm > 20) {
            throw new IllegalArgumentException("The gap must be 0 to 20 mm.");
        }
        return gapMm < LEAST_SHIM_MM ? new Stance(Foot.NONE, 0) : new Stance(lifts, gapMm);
    }

    /**
     * What goes under each foot so that a level reads nothing both ways: as little as possible, so nothing under the
     * highest.
     *
     * @param acrossMmPerM what the level reads from left to right, positive where it rises to the right
     * @param alongMmPerM from front to back, positive where it rises to the back
     * @param spanXMm between the feet across
     * @param spanYMm between the feet along
     * @return shim in mm for FRONT_LEFT, FRONT_RIGHT, BACK_LEFT, BACK_RIGHT; 0 where it would be thinner than is worth
     *     cutting
     */
    public static Map<Foot, Double> shims(double acrossMmPerM, double alongMmPerM, double spanXMm, double spanYMm) {
        Stance across = level(acrossMmPerM, spanXMm, true);
        Stance along = level(alongMmPerM, spanYMm, false);
        Map<Foot, Double> shims = new EnumMap<>(Foot.class);
        for (Foot foot : CORNERS) {
            shims.put(
                    foot,
                    (under(across.foot(), foot) ? across.shimMm() : 0)
                            + (under(along.foot(), foot) ? along.shimMm() : 0));
        }
        return shims;
    }

    private static boolean under(Foot side, Foot corner) {
        return side != Foot.NONE
                && (corner.name().endsWith("_" + side.name()) || corner.name().startsWith(side.name() + "_"));
    }

    private static void check(double spanMm) {
        if (!(spanMm > 0) || spanMm > 3000) {
            throw new IllegalArgumentException(
                    "The distance between the feet must be more than 0 and at most 3000 mm.");
        }
    }
}
