package keel.core.quick;

import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/**
 * When something was done, where that was not just now.
 *
 * @param at in the shop's own time
 * @param words as it may be typed again: {@code today 16:30}, {@code yesterday 16:30}, {@code 28 Nov 16:30}
 */
record Moment(LocalDateTime at, String words) {

    private static final DateTimeFormatter TIME = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter DAY_OF_YEAR = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.ENGLISH);

    static Moment of(LocalDateTime at, LocalDateTime now) {
        return new Moment(at, day(at.toLocalDate(), now.toLocalDate()) + " " + TIME.format(at));
    }

    /** A day as it may be typed again. */
    static String day(LocalDate day, LocalDate today) {
        if (day.equals(today)) {
            return "today";
        }
        if (day.equals(today.minusDays(1))) {
            return "yesterday";
        }
        return (day.getYear() == today.getYear() ? DAY : DAY_OF_YEAR).format(day);
    }

    static String time(LocalDateTime at) {
        return TIME.format(at);
    }
}
