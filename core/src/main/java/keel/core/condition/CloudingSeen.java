package keel.core.condition;

import keel.core.film.Clouding;
import org.jspecify.annotations.Nullable;

/**
 * What was seen or measured of a film's clouding at an age.
 *
 * @param hours print hours that it had
 * @param uvHours UV hours that it had
 * @param grade as it looked, null where nobody graded it
 * @param transmittance that was metered, 0 to 1, null where nobody metered it
 */
public record CloudingSeen(double hours, double uvHours, @Nullable Clouding grade, @Nullable Double transmittance) {

    /** Loss of light ln(new/now) by the meter, null where nobody metered it. */
    public @Nullable Double loss() {
        return transmittance == null
                ? null
                : Double.valueOf(
                        Math.max(0, Math.log(Clouding.CLEAR.usualTransmittance() / Math.max(0.01, transmittance))));
    }
}
