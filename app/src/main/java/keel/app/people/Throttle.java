package keel.app.people;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import io.github.bucket4j.Bucket;
import java.time.Duration;
import java.util.Locale;
import org.springframework.stereotype.Component;

/**
 * Slows down guessing of passwords and PINs: five wrong ones for one name from one address, then one more every minute;
 * and forty from one address for all names together. Kept in memory, bounded.
 */
@Component
public class Throttle {

    private final Cache<String, Bucket> buckets = Caffeine.newBuilder()
            .maximumSize(20_000)
            .expireAfterAccess(Duration.ofHours(2))
            .build();

    /** Whether another try may be made. */
    public boolean allows(String name, String address) {
        return bucket(key(name, address), 5, Duration.ofMinutes(1)).getAvailableTokens() > 0
                && bucket(address, 40, Duration.ofSeconds(15)).getAvailableTokens() > 0;
    }

    public void wrong(String name, String address) {
        bucket(key(name, address), 5, Duration.ofMinutes(1)).tryConsume(1);
        bucket(address, 40, Duration.ofSeconds(15)).tryConsume(1);
    }

    public void right(String name, String address) {
        buckets.invalidate(key(name, address));
    }

    private Bucket bucket(String key, int capacity, Duration each) {
        return buckets.get(key, k -> Bucket.builder()
                .addLimit(limit -> limit.capacity(capacity).refillGreedy(1, each))
                .build());
    }

    private static String key(String name, String address) {
        return address + " " + (name == null ? "" : name.strip().toLowerCase(Locale.ROOT));
    }
}
