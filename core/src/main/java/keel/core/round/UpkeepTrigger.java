package keel.core.round;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What makes upkeep due: so much use or time since it was done last, whichever comes first, or a day of the calendar.
 * Each null where it does not count.
 *
 * @param hours print hours, {@code uvHours} hours with the light on, {@code litres} of resin printed
 */
public record UpkeepTrigger(
        @Nullable Double hours,
        @Nullable Double uvHours,
        @Nullable Double prints,
        @Nullable Double litres,
        @Nullable Double days,
        @Nullable LocalDate date) {

    public boolean any() {
        return byUse() || days != null || date != null;
    }

    /** Whether it asks what a machine did. */
    public boolean byUse() {
        return hours != null || uvHours != null || prints != null || litres != null;
    }
}
