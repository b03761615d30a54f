package keel.app.standing;

import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import keel.app.base.TimeScale;
import keel.core.life.HoursLeft;
import keel.core.standing.PartUse;

/**
 * The rest of life of a part in service, as a band that fades from today on.
 *
 * @param sure width within which hardly any such part ends (one in ten)
 * @param middle width within which half of them do
 * @param title the same as a sentence, and where it is known from
 */
public record RestOfLife(double x, double sure, double middle, String title) {

    /** @param hoursPerDay print hours a day; empty where it prints nothing */
    public static Optional<RestOfLife> of(
            PartUse part, double hoursPerDay, double uvShare, TimeScale scale, Instant now) {
        HoursLeft left = part.hoursLeft(uvShare);
        double sure = left.low() / hoursPerDay;
        double middle = left.median() / hoursPerDay;
        if (!(hoursPerDay > 0) || Double.isNaN(middle) || Double.isInfinite(middle)) {
            return Optional.empty();
        }
        double x = scale.x(now);
        double room = TimeScale.WIDTH - x;
        return Optional.of(new RestOfLife(
                x,
                Math.min(room, scale.width(sure)),
                Math.min(room, scale.width(middle)),
                String.format(
                        Locale.ROOT,
                        "%s: one in ten ends within %.0f days of such use, half within %.0f%s",
                        part.name(),
                        sure,
                        middle,
                        part.because())));
    }
}
