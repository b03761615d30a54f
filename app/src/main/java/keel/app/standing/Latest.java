package keel.app.standing;

import java.time.Duration;
import java.time.Instant;
import java.util.function.Function;

/**
 * Finds the latest of what happens often: it nearly always lies in the last months, so that the years before are read
 * only where it does not.
 */
final class Latest {

    private static final Duration LATELY = Duration.ofDays(90);

    private Latest() {}

    /** @param since answers the latest since a moment, null if there is none */
    static Instant of(Instant now, Function<Instant, Instant> since) {
        Instant lately = since.apply(now.minus(LATELY));
        return lately != null ? lately : since.apply(Instant.EPOCH);
    }
}
