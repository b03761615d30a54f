package keel.app.base;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A line of time a thousand units wide, from a start past today to some way ahead. */
public record TimeScale(Instant from, double days) {

    public static final double WIDTH = 1000;

    private static final double AHEAD = 0.16;
    private static final DateTimeFormatter MONTH = DateTimeFormatter.ofPattern("MMM", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);

    /** A date on the line. */
    public record Tick(double x, String words) {}

    /** From a start past {@code now} to a sixth of that time ahead. */
    public static TimeScale past(Instant from, Instant now) {
        return new TimeScale(from, Math.max(1, Duration.between(from, now).toHours() / 24.0) * (1 + AHEAD));
    }

    public double x(Instant at) {
        return Math.max(0, Math.min(WIDTH, Duration.between(from, at).toMinutes() / 1440.0 / days * WIDTH));
    }

    public double width(double daysLong) {
        return daysLong / days * WIDTH;
    }

    /** The start, months between, today. */
    public List<Tick> dates(Instant now, ZoneId zone) {
        List<Tick> dates = new ArrayList<>();
        ZonedDateTime month =
                from.atZone(zone).truncatedTo(ChronoUnit.DAYS).withDayOfMonth(1).plusMonths(1);
        long months = ChronoUnit.MONTHS.between(month, now.atZone(zone)) + 1;
        long step = Math.max(1, Math.round(months / 6.0));
        dates.add(new Tick(0, from.atZone(zone).format(DAY)));
        for (; month.toInstant().isBefore(now); month = month.plusMonths(step)) {
            double x = x(month.toInstant());
            if (x > 90 && x(now) - x > 60) {
                dates.add(new Tick(x, month.format(MONTH)));
            }
        }
        dates.add(new Tick(x(now), "today"));
        return dates;
    }
}
