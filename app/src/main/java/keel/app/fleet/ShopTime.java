package keel.app.fleet;

import java.time.Clock;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeParseException;
import java.time.temporal.ChronoUnit;
import java.util.Locale;
import keel.core.Findings;
import org.springframework.stereotype.Component;

/** Times as the shop reads and types them: in its own zone, the day left out where it is today. */
@Component("times")
public class ShopTime {

    private static final DateTimeFormatter FIELD = DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm");
    private static final DateTimeFormatter CLOCK = DateTimeFormatter.ofPattern("HH:mm");
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter YEAR = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    private final ShopSettings settings;
    private final Clock clock;

    ShopTime(ShopSettings settings, Clock clock) {
        this.settings = settings;
        this.clock = clock;
    }

    /** For a date and time field. */
    public String field(Instant time) {
        return time == null ? "" : zoned(time).format(FIELD);
    }

    /** Reads a date and time field; empty is null, and what cannot be read goes to {@code findings}. */
    public Instant read(String text, String field, Findings findings) {
        if (text == null || text.isBlank()) {
            return null;
        }
        try {
            return LocalDateTime.parse(text.strip()).atZone(settings.zone()).toInstant();
        } catch (DateTimeParseException e) {
            findings.add(field, "This is no date and time: " + text + ". Like 2025-03-31T14:20.");
            return null;
        }
    }

    /**
     * The same; where it is empty, the moment at which a device without a network took the entry, if it says so, else
     * null.
     */
    public Instant readOrEntered(String text, String field, Findings findings) {
        return read(text == null || text.isBlank() ? EnteredAt.ofThisRequest() : text, field, findings);
    }

    /** The beginning of a span, a day of the shop's or an instant; empty is null. */
    public Instant from(String text, String field, Findings findings) {
        return bound(text, 0, field, findings);
    }

    /** The end of a span, a day of the shop's with all its hours or an instant; empty is null. */
    public Instant to(String text, String field, Findings findings) {
        return bound(text, 1, field, findings);
    }

    private Instant bound(String text, int daysOn, String field, Findings findings) {
        if (text == null || text.isBlank()) {
            return null;
        }
        try {
            return text.contains("T")
                    ? Instant.parse(text.strip())
                    : LocalDate.parse(text.strip())
                            .plusDays(daysOn)
                            .atStartOfDay(settings.zone())
                            .toInstant();
        } catch (DateTimeException e) {
            findings.add(
                    field, "This is no day and no instant: " + text + ". Like 2025-03-31 or 2025-03-31T14:20:00Z.");
            return null;
        }
    }

    /** A day of the calendar, like "12 Nov 2024". */
    public String date(LocalDate day) {
        return day.format(YEAR);
    }

    /** Like "14:20", "yesterday 14:20", "12 Nov, 14:20" or "12 Nov 2024". */
    public String words(Instant time) {
        if (time == null) {
            return "never";
        }
        ZonedDateTime then = zoned(time);
        ZonedDateTime now = zoned(clock.instant());
        long days = ChronoUnit.DAYS.between(then.toLocalDate(), now.toLocalDate());
        if (days == 0) {
            return then.format(CLOCK);
        }
        if (days == 1) {
            return "yesterday " + then.format(CLOCK);
        }
        return days > 0 && days < 300
                ? then.format(DAY) + ", " + then.format(CLOCK)
                : then.format(days < 300 ? DAY : YEAR);
    }

    public String day(Instant time) {
        return time == null
                ? ""
                : zoned(time).format(ChronoUnit.DAYS.between(time, clock.instant()) < 300 ? DAY : YEAR);
    }

    /** Like "2 h 05 left", or "over its time". */
    public String left(Instant end) {
        long minutes = ChronoUnit.MINUTES.between(clock.instant(), end);
        return minutes < 0
                ? "over its usual time"
                : minutes < 60 ? minutes + " min left" : minutes / 60 + " h %02d left".formatted(minutes % 60);
    }

    /** A time that is to come: "19:40", "tomorrow 02:10", "12 Nov, 14:20". */
    public String ahead(Instant time) {
        ZonedDateTime then = zoned(time);
        long days = ChronoUnit.DAYS.between(zoned(clock.instant()).toLocalDate(), then.toLocalDate());
        return days == 0
                ? then.format(CLOCK)
                : days == 1 ? "tomorrow " + then.format(CLOCK) : then.format(DAY) + ", " + then.format(CLOCK);
    }

    public Instant now() {
        return clock.instant();
    }

    private ZonedDateTime zoned(Instant time) {
        return time.atZone(settings.zone());
    }
}
