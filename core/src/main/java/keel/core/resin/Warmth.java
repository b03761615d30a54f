package keel.core.resin;

import java.util.Locale;
import keel.core.Plain;

/**
 * How warm the resin is against the range that suits it, and what to do about it: the further below, the more. Half a
 * degree is within what thermometers differ by. Steps and figures are common practice, no published source.
 *
 * @param celsius of the resin itself, or of the room where nobody measured the resin, °C
 * @param ofResin whether it is the resin's own
 * @param lowC lowest that suits it, {@code highC} the highest, °C
 */
public record Warmth(double celsius, boolean ofResin, double lowC, double highC) {

    /** A reading older than this says nothing of now, h. */
    public static final double STALE_HOURS = 12;

    static final double NOTHING_C = 0.5;
    static final double COOL_C = 3;
    static final double COLD_C = 6;

    /** How far it is from its range. */
    public enum Degree {
        RIGHT,
        COOL,
        COLD,
        TOO_COLD,
        WARM
    }

    /** Degrees below the range; 0 within or above it. */
    public double below() {
        return Math.max(0, lowC - celsius);
    }

    public Degree degree() {
        double below = below();
        if (below > COLD_C) {
            return Degree.TOO_COLD;
        }
        if (below > COOL_C) {
            return Degree.COLD;
        }
        if (below > NOTHING_C) {
            return Degree.COOL;
        }
        return celsius > highC + NOTHING_C ? Degree.WARM : Degree.RIGHT;
    }

    /** Whether anything has to be done about it. */
    public boolean asksForSomething() {
        return degree() != Degree.RIGHT;
    }

    /** Whether the resin's own temperature would tell more than what is known. */
    public boolean worthMeasuring() {
        return !ofResin && asksForSomething();
    }

    /** What is so, and what to do, in a sentence or two. */
    public String words() {
        String is = String.format(Locale.ROOT, "%.1f", celsius) + " °C" + (ofResin ? " in the resin" : " in the room");
        String below = String.format(Locale.ROOT, "%.0f degrees below what suits it", Math.max(1, below()));
        return switch (degree()) {
            case RIGHT -> is + ".";
            case COOL ->
                is + ", a little below what suits it (" + Plain.number(lowC)
                        + " °C). Stir it well, and stay for the first layers." + measure();
            case COLD ->
                is + ", " + below
                        + ": it is thick and flows back slowly. Warm it, or add 0.2 to 0.5 s and let go slower, "
                        + "a lift at about 40 mm/min." + measure();
            case TOO_COLD ->
                is + ", " + below
                        + ": do not print with it. Stand the closed bottle in warm water, let vat and machine come to "
                        + "the room's warmth, then measure again." + measure();
            case WARM -> is + " is warm: exposure may bleed; look at fine holes first." + measure();
        };
    }

    private String measure() {
        return ofResin ? "" : " The resin itself may be otherwise: measure it.";
    }
}
