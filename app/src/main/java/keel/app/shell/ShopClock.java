package keel.app.shell;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Primary;
import org.springframework.stereotype.Component;

/**
 * The application's clock, in whole milliseconds. Fixed at {@code keel.clock} where that is given (pictures, tests);
 * while the demo writes its history, it shows the time of the history.
 */
@Component
@Primary
public class ShopClock extends Clock {

    private final Clock base;
    private Instant told;

    ShopClock(@Value("${keel.clock:}") String fixed) {
        this.base = fixed.isBlank()
                ? Clock.tick(Clock.systemUTC(), Duration.ofMillis(1))
                : Clock.fixed(Instant.parse(fixed), ZoneOffset.UTC);
    }

    /** Shows the given time from now on, or the real one again for null. */
    public synchronized void tell(Instant time) {
        told = time;
    }

    @Override
    public synchronized Instant instant() {
        return told == null ? base.instant() : told;
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return Clock.fixed(instant(), zone);
    }
}
