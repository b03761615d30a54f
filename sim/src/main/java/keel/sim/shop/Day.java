package keel.sim.shop;

import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;

/** The shop's working day, in its own zone. */
record Day(LocalDate date, ZoneId zone) {

    private static final LocalTime OPENS = LocalTime.of(6, 45);
    private static final LocalTime FIRST = LocalTime.of(6, 30);
    private static final LocalTime LAST = LocalTime.of(20, 30);

    boolean worked() {
        return date.getDayOfWeek().getValue() <= 5;
    }

    Instant at(int hour, int minute) {
        return date.atTime(hour, minute).atZone(zone).toInstant();
    }

    /** The moment itself if somebody is there, else when the shop next opens. */
    static Instant somebodyThere(Instant at, ZoneId zone) {
        LocalTime time = at.atZone(zone).toLocalTime();
        LocalDate date = at.atZone(zone).toLocalDate();
        if (!time.isAfter(LAST) && !time.isBefore(FIRST)) {
            return at;
        }
        return (time.isBefore(FIRST) ? date : date.plusDays(1))
                .atTime(OPENS)
                .atZone(zone)
                .toInstant();
    }
}
