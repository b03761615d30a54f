package keel.app.bench;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Parts that dry: cured before they are dry they bloom white. */
@Service
@Transactional(readOnly = true)
public class Drying {

    /** So long after it is dry a lot is still shown, for whoever cures it. */
    private static final Duration SHOWN_AFTER = Duration.ofHours(1);

    /** What dries was printed in these days. */
    private static final Duration LATELY = Duration.ofDays(60);

    private final BenchRecords records;
    private final Clock clock;

    Drying(BenchRecords records, Clock clock) {
        this.records = records;
        this.clock = clock;
    }

    /** Parts off a machine, and when they are dry. */
    public record Lot(String machine, String machineName, String job, Long run, Instant until) {}

    /** What dries, or has just become dry, soonest first. */
    public List<Lot> now() {
        Instant now = clock.instant();
        return records.drying(now.minus(SHOWN_AFTER), now.minus(LATELY));
    }
}
