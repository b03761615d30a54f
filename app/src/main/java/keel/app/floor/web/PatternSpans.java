package keel.app.floor.web;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import keel.app.fleet.ShopSettings;
import org.springframework.stereotype.Component;

/** Over how many days patterns, comparisons and evidence look back. */
@Component("patternSpans")
class PatternSpans {

    static final String USUAL_DAYS = "365";

    private static final List<Integer> DAYS = List.of(90, 365, 1825);
    private static final int USUAL = 365;

    private final ShopSettings settings;
    private final Clock clock;

    PatternSpans(ShopSettings settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    List<Integer> all() {
        return DAYS;
    }

    /** The usual ones where it is none of them. */
    int days(int asked) {
        return DAYS.contains(asked) ? asked : USUAL;
    }

    /** The beginning of the shop's day so many days ago, so that what was found is found again. */
    Instant from(int asked) {
        return clock.instant()
                .atZone(settings.zone())
                .truncatedTo(ChronoUnit.DAYS)
                .minusDays(days(asked))
                .toInstant();
    }
}
