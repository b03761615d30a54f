package keel.app.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.Ticker;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.Locale;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing of passwords and PINs. A try is counted before it is looked at, so that a hundred at the same
 * moment are as many as a hundred in a row: five for one name from one device, then one after a minute, two, four, up
 * to an hour; and forty from one device for all names together, one more every fifteen seconds. Kept in memory,
 * bounded.
 */
@Component
public class Throttle {

    private static final int FREE_TRIES = 5;
    private static final Duration FIRST_WAIT = Duration.ofMinutes(1);
    private static final int MOST_DOUBLINGS = 6;
    private static final int TRIES_OF_A_DEVICE = 40;
    private static final Duration ONE_MORE_EACH = Duration.ofSeconds(15);

    private final Ticker ticker;
    private final Cache<String, Tries> tries;
    private final Cache<String, Bucket> devices = Caffeine.newBuilder()
            .maximumSize(20_000)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    public Throttle() {
        this(Ticker.systemTicker());
    }

    Throttle(Ticker ticker) {
        this.ticker = ticker;
        this.tries = Caffeine.newBuilder()
                .maximumSize(20_000)
                .expireAfterAccess(Duration.ofHours(3))
                .ticker(ticker)
                .build();
    }

    private record Tries(int made, long nextAt, boolean allowed) {}

    /** Counts a try; whether it may be looked at. */
    public boolean takes(String name, String address) {
        if (!device(address).tryConsume(1)) {
            return false;
        }
        long now = ticker.read();
        Tries after = tries.asMap().compute(key(name, address), (key, before) -> next(before, now));
        return after.allowed();
    }

    private static Tries next(Tries before, long now) {
        if (before == null) {
            return new Tries(1, now, true);
        }
        if (now - before.nextAt() < 0) {
            return new Tries(before.made(), before.nextAt(), false);
        }
        int made = before.made() + 1;
        int doublings = Math.min(MOST_DOUBLINGS, made - FREE_TRIES);
        long wait = doublings < 0 ? 0 : FIRST_WAIT.toNanos() << doublings;
        return new Tries(made, now + wait, true);
    }

    /** How long until another try is looked at; zero where one is. */
    public Duration wait(String name, String address) {
        Tries made = tries.getIfPresent(key(name, address));
        return made == null ? Duration.ZERO : Duration.ofNanos(Math.max(0, made.nextAt() - ticker.read()));
    }

    /** It was the right one: what was counted for the name and the device does not stand against it. */
    public void right(String name, String address) {
        tries.invalidate(key(name, address));
        device(address).addTokens(1);
    }

    private Bucket device(String address) {
        return devices.get(address, a -> Bucket.builder()
                .addLimit(limit -> limit.capacity(TRIES_OF_A_DEVICE).refillGreedy(1, ONE_MORE_EACH))
                .build());
    }

    private static String key(String name, String address) {
        return address + " " + (name == null ? "" : name.strip().toLowerCase(Locale.ROOT));
    }
}
