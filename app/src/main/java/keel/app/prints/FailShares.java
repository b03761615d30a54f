package keel.app.prints;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** How often prints failed lately on each machine; what is kept for some minutes tells whoever plans enough. */
@Component
public class FailShares {

    private static final Duration LATELY = Duration.ofDays(180);
    private static final String ALL = "all";
    /** Of a machine of which nothing is known. */
    public static final double UNKNOWN = 0.1;

    private static final double PRIOR_PRINTS = 10;
    private static final double PRIOR_FAILED = UNKNOWN * PRIOR_PRINTS;

    private final RunRecords records;
    private final Clock clock;
    private final Cache<String, Map<String, Double>> kept =
            Caffeine.newBuilder().expireAfterWrite(Duration.ofMinutes(10)).build();

    FailShares(RunRecords records, Clock clock) {
        this.records = records;
        this.clock = clock;
    }

    /**
     * By the machine's code, drawn towards one in ten as if it had printed ten more; machines that printed nothing
     * lately are not in it.
     */
    @Transactional(readOnly = true)
    public Map<String, Double> lately() {
        return kept.get(ALL, all -> reckon());
    }

    private Map<String, Double> reckon() {
        return records.ended(clock.instant().minus(LATELY)).stream()
                .collect(Collectors.toMap(
                        RunRecords.Ended::machine,
                        e -> (Math.max(0, e.prints() - e.good()) + PRIOR_FAILED) / (e.prints() + PRIOR_PRINTS)));
    }
}
