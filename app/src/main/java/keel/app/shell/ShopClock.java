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
 * The application's clock, in whole milliseconds. With {@code keel.clock} it stands still at that moment (pictures), or
 * goes on from it where a plus follows (tests); while the demo writes its history, it shows the time of the history.
 */
@Component
@Primary
public class ShopClock extends Clock {

    private final Clock base;
    private Instant told;

    ShopClock(@Value("${keel.clock:}") String fixed) {
        this.base = clock(fixed.strip());
    }

    /** The clock of the computer, for an errand that no running shop does; to the millisecond. */
    static Clock ofTheComputer() {
        return Clock.tick(Clock.systemUTC(), Duration.ofMillis(1));
    }

    private static Clock clock(String set) {
        Clock system = ofTheComputer();
        if (set.isEmpty()) {
            return system;
        }
        if (set.endsWith("+")) {
            Instant from = Instant.parse(set.substring(0, set.length() - 1));
            return Clock.offset(system, Duration.between(system.instant(), from));
        }
        return Clock.fixed(Instant.parse(set), ZoneOffset.UTC);
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
