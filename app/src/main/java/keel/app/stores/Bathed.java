package keel.app.stores;

import java.time.Duration;
import java.time.Instant;

/**
 * A print in the wash.
 *
 * @param out null while it is still in
 * @param baths 1 or 2
 */
public record Bathed(Instant in, Instant out, int baths) {

    private static final Duration LEEWAY = Duration.ofMinutes(15);

    /**
     * Whether it was in more than a quarter of an hour beyond its time.
     *
     * @param secondsEach in each bath, as the shop washes
     */
    public boolean tooLong(double secondsEach, Instant now) {
        Duration time = Duration.ofSeconds(Math.round(baths * secondsEach)).plus(LEEWAY);
        return in.plus(time).isBefore(out == null ? now : out);
    }
}
