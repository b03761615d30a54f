package keel.sim.story;

import java.time.Instant;
import java.time.ZoneId;

/** The story's mornings, counted back from its end. */
record Days(Instant end, ZoneId zone) {

    /** A quarter past seven, so many days before the last. */
    Instant before(int days) {
        return end.atZone(zone)
                .toLocalDate()
                .minusDays(days)
                .atTime(7, 15)
                .atZone(zone)
                .toInstant();
    }
}
