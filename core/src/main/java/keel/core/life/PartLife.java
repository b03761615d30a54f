package keel.core.life;

import keel.core.wear.Lifespan;
import keel.core.wear.Usage;

/**
 * How long a part of one kind and size lasts as far as it is known, and at which age it is changed.
 *
 * @param span its life on the clock
 * @param clockPerHour so much of the clock passes in a print hour, as far as parts of this kind tell
 * @param replaceAt age at which it is changed whatever its looks, on {@code replaceClock}; infinite where it has none
 * @param ends ends from which this is known; 0 where it is what is usual
 */
public record PartLife(
        Lifespan span, LifeClock clock, double clockPerHour, double replaceAt, LifeClock replaceClock, int ends) {

    private static final double MOST = 1 - Math.exp(-1);

    /** What is usual for such parts: nothing is known from here yet. */
    public static PartLife usual(Lifespan span, LifeClock clock, double clockPerHour, double replaceAt) {
        return new PartLife(span, clock, clockPerHour, replaceAt, clock, 0);
    }

    /** The same, changed at that age. */
    public PartLife changedAt(double age, LifeClock on) {
        return new PartLife(span, clock, clockPerHour, age, on, ends);
    }

    public double age(Usage usage) {
        return clock.of(usage);
    }

    /** Chance that it ends within so many print hours. {@code uvShare}: UV hours in a print hour on its machine. */
    public double failsWithin(Usage usage, double printHours, double uvShare) {
        return span.failsWithin(age(usage), use(printHours, uvShare));
    }

    /** Print hours until a share of parts of its age have ended. */
    public double hoursLeft(Usage usage, double share, double uvShare) {
        return span.left(age(usage), share) / pace(clock, uvShare);
    }

    /** Whether it is at the age at which it is changed, or past it. */
    public boolean pastAge(Usage usage) {
        return replaceClock.of(usage) >= replaceAt;
    }

    /** Print hours until it is to be changed: 0 and less where it is past that, infinite where it has no such age. */
    public double hoursToChange(Usage usage, double uvShare) {
        return (replaceAt - replaceClock.of(usage)) / pace(replaceClock, uvShare);
    }

    /** The age at which its bar is full: that of its change, or that by which 63 % have ended. */
    public double full() {
        return Double.isInfinite(replaceAt) || replaceClock != clock ? span.ageWhenFailed(0, MOST) : replaceAt;
    }

    /** Print hours by which 63 % have ended. */
    public double typicalHours() {
        return span.ageWhenFailed(0, MOST) / clockPerHour;
    }

    /** UV hours by which 63 % have ended. */
    public double typicalUvHours(double uvShare) {
        return clock == LifeClock.UV_HOURS ? span.ageWhenFailed(0, MOST) : typicalHours() * uvShare;
    }

    /** In a few words, where this is known from. */
    public String knownFrom() {
        return ends == 0 ? "what is usual" : ends + " ends here";
    }

    /** So much of its clock passes in print hours. */
    public double use(double printHours, double uvShare) {
        return printHours * pace(clock, uvShare);
    }

    private double pace(LifeClock of, double uvShare) {
        return switch (of) {
            case HOURS -> 1;
            case UV_HOURS -> uvShare;
            case PEELS -> clockPerHour;
        };
    }
}
