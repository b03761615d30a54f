package keel.core.week;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Hours of a day as people write them: "8-18", "8:30–12, 13–17"; empty where nobody is there. */
public final class HoursText {

    private static final Pattern SPAN =
            Pattern.compile("(\\d{1,2})(?:[:.](\\d{2}))?\\s*(?:-|–|to|bis)\\s*(\\d{1,2})(?:[:.](\\d{2}))?");
    private static final int MOST = 4;
    private static final int DAY_HOURS = 24;

    private HoursText() {}

    /**
     * @throws IllegalArgumentException with a sentence, if it cannot be read or the spans are not in order; midnight
     *     may be written 24
     */
    public static List<WorkHours.Hours> read(DayOfWeek day, @Nullable String text) {
        List<WorkHours.Hours> all = new ArrayList<>();
        if (text == null
                || text.isBlank()
                || text.strip().equals("–")
                || text.strip().equals("-")) {
            return all;
        }
        for (String part : text.strip().toLowerCase(Locale.ROOT).split("\\s*(?:,|;|\\+|and)\\s*")) {
            Matcher span = SPAN.matcher(part);
            if (!span.matches() || all.size() == MOST) {
                throw new IllegalArgumentException("Hours are written like 8-18, or 8:30-12, 13-17; empty for away.");
            }
            LocalTime from = time(span.group(1), span.group(2));
            LocalTime to = time(span.group(3), span.group(4));
            if (from.equals(to) && !from.equals(LocalTime.MIDNIGHT)) {
                throw new IllegalArgumentException("From " + from + " to " + to + " is no time at all.");
            }
            requireAfter(all, from);
            all.add(new WorkHours.Hours(day, from, to));
        }
        return all;
    }

    private static void requireAfter(List<WorkHours.Hours> all, LocalTime from) {
        WorkHours.Hours last = all.isEmpty() ? null : all.get(all.size() - 1);
        if (last != null && (!last.to().isAfter(last.from()) || from.isBefore(last.to()))) {
            throw new IllegalArgumentException("Write the hours of a day in order, each begun after the one before.");
        }
    }

    private static LocalTime time(String hour, @Nullable String minute) {
        try {
            int hours = Integer.parseInt(hour);
            int minutes = minute == null ? 0 : Integer.parseInt(minute);
            return hours == DAY_HOURS && minutes == 0 ? LocalTime.MIDNIGHT : LocalTime.of(hours, minutes);
        } catch (DateTimeException e) {
            throw new IllegalArgumentException(
                    "There is no time " + hour + ":" + (minute == null ? "00" : minute) + ".");
        }
    }

    /** The same in words that {@link #read} takes. */
    public static String words(List<WorkHours.Hours> hours) {
        return hours.stream().map(h -> clock(h.from()) + "–" + clock(h.to())).collect(Collectors.joining(", "));
    }

    private static String clock(LocalTime time) {
        return time.getMinute() == 0 ? Integer.toString(time.getHour()) : time.toString();
    }
}
