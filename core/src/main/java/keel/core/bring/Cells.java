package keel.core.bring;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** What stands in a cell: numbers with comma or point, lengths of time, moments in the forms that people write. */
public final class Cells {

    private static final Pattern NUMBER = Pattern.compile("([+-]?[\\d.,' \\u00a0]*\\d)\\s*([\\p{L}°%/³²]*)\\.?");
    private static final Pattern GROUPED = Pattern.compile("[+-]?\\d{1,3}(?:[.,]\\d{3})+");
    /** Both marks, or one that stands once and groups no three digits. */
    private static final Pattern TELLING =
            Pattern.compile("[+-]?(?:\\d+|\\d{1,3}(?:[.,' ]\\d{3})+)([.,])(?:\\d{1,2}|\\d{4,})\\s*\\p{L}*");

    private static final Pattern CLOCK = Pattern.compile("(\\d{1,3}):([0-5]\\d)(?::([0-5]\\d))?");
    private static final Pattern SPOKEN =
            Pattern.compile("(?:(\\d{1,3})\\s*h(?:ours?|rs?)?)?\\s*(?:(\\d{1,4})\\s*m(?:in(?:utes?)?)?)?");
    private static final Pattern YEAR_FIRST =
            Pattern.compile("(\\d{4})[-/.](\\d{1,2})[-/.](\\d{1,2})(?:[T ]+(\\d.*))?");
    private static final Pattern YEAR_LAST =
            Pattern.compile("(\\d{1,2})([-/.])(\\d{1,2})\\2(\\d{4}|\\d{2})(?:,?[T ]+(\\d.*))?");
    private static final Pattern TIME =
            Pattern.compile("(\\d{1,2})[:.h](\\d{2})(?::(\\d{2})(?:\\.\\d+)?)?\\s*([AaPp])?\\.?[Mm]?\\.?");

    private Cells() {}

    /** In which order a column writes day and month where the year stands last. */
    public enum DayOrder {
        DAY_FIRST,
        MONTH_FIRST
    }

    /** Which mark a table puts before decimals: told by numbers that can be read in one way only. */
    public enum Decimals {
        COMMA(','),
        POINT('.'),
        /** No number tells it: a mark that stands once is that of decimals. */
        UNKNOWN(' ');

        private final char mark;

        Decimals(char mark) {
            this.mark = mark;
        }

        /** Of all cells of a table. */
        public static Decimals of(Collection<String> cells) {
            for (String cell : cells) {
                Matcher m = TELLING.matcher(cell.strip());
                if (m.matches()) {
                    return m.group(1).equals(",") ? COMMA : POINT;
                }
            }
            return UNKNOWN;
        }
    }

    /** The same where no table tells how decimals are written. */
    public static double number(String text) {
        return number(text, Decimals.UNKNOWN);
    }

    /**
     * A number; what stands behind it as a unit is left out. Of comma and point the last one is that of decimals; where
     * only one of them stands it is so too, unless it stands more than once, or groups three digits in a table that
     * writes decimals with the other.
     *
     * @throws IllegalArgumentException with a sentence
     */
    public static double number(String text, Decimals decimals) {
        Matcher m = NUMBER.matcher(text.strip());
        if (!m.matches()) {
            throw new IllegalArgumentException("This is no number: " + text.strip() + ".");
        }
        String digits = m.group(1).replaceAll("[' \\u00a0]", "");
        char decimal = mark(digits, decimals);
        StringBuilder plain = new StringBuilder();
        for (char c : digits.toCharArray()) {
            plain.append(c == decimal ? "." : c == ',' || c == '.' ? "" : String.valueOf(c));
        }
        try {
            return Double.parseDouble(plain.toString());
        } catch (NumberFormatException e) {
            throw new IllegalArgumentException("This is no number: " + text.strip() + ".");
        }
    }

    private static char mark(String digits, Decimals decimals) {
        int comma = digits.lastIndexOf(',');
        int point = digits.lastIndexOf('.');
        if (comma >= 0 && point >= 0) {
            return comma > point ? ',' : '.';
        }
        char only = comma >= 0 ? ',' : '.';
        boolean grouped = GROUPED.matcher(digits).matches() && decimals != Decimals.UNKNOWN && only != decimals.mark;
        return digits.indexOf(only) == digits.lastIndexOf(only) && !grouped ? only : ' ';
    }

    /**
     * A whole number; three digits behind a mark are grouped, whichever mark it is.
     *
     * @throws IllegalArgumentException with a sentence
     */
    public static int whole(String text) {
        String plain = text.strip();
        double number =
                GROUPED.matcher(plain).matches() ? Double.parseDouble(plain.replaceAll("[.,]", "")) : number(plain);
        if (number != Math.rint(number) || Math.abs(number) > 1e9) {
            throw new IllegalArgumentException("This is no whole number: " + plain + ".");
        }
        return (int) number;
    }

    /**
     * Hours of a length of time: 5:20, 5:20:30, 5h20, 5 h 20 min, 90 min, or decimal hours.
     *
     * @throws IllegalArgumentException with a sentence
     */
    public static double hours(String text, Decimals decimals) {
        String plain = text.strip().toLowerCase(Locale.ROOT);
        Matcher clock = CLOCK.matcher(plain);
        if (clock.matches()) {
            double seconds = clock.group(3) == null ? 0 : Integer.parseInt(clock.group(3));
            return Integer.parseInt(clock.group(1)) + Integer.parseInt(clock.group(2)) / 60.0 + seconds / 3600;
        }
        Matcher spoken = SPOKEN.matcher(plain.replaceAll("(\\dh)(\\d+)$", "$1$2m"));
        if (spoken.matches() && (spoken.group(1) != null || spoken.group(2) != null)) {
            return part(spoken.group(1)) + part(spoken.group(2)) / 60;
        }
        return number(text, decimals);
    }

    private static double part(@Nullable String digits) {
        return digits == null ? 0 : Integer.parseInt(digits);
    }

    /**
     * How a column writes its days: told by one that could be no month; points mean day first, slashes that say nothing
     * too.
     */
    public static DayOrder order(List<String> column) {
        for (String cell : column) {
            Matcher m = YEAR_LAST.matcher(cell.strip());
            if (m.matches()) {
                if (Integer.parseInt(m.group(1)) > 12) {
                    return DayOrder.DAY_FIRST;
                }
                if (Integer.parseInt(m.group(3)) > 12) {
                    return DayOrder.MONTH_FIRST;
                }
            }
        }
        return DayOrder.DAY_FIRST;
    }

    /**
     * A moment; a day alone is its beginning, what says no zone is in the given one.
     *
     * @throws IllegalArgumentException with a sentence
     */
    public static Instant moment(String text, DayOrder order, ZoneId zone) {
        String plain = text.strip();
        try {
            if (plain.matches(".*\\d[Tt ].*(?:[Zz]|[+-]\\d{2}:?\\d{2})$")) {
                return zoned(plain);
            }
            return local(plain, order).atZone(zone).toInstant();
        } catch (DateTimeException e) {
            throw new IllegalArgumentException("This is no day and time: " + plain + ".");
        }
    }

    private static Instant zoned(String plain) {
        String iso = plain.replaceFirst("[ ]+", "T").replaceFirst("([+-]\\d{2})(\\d{2})$", "$1:$2");
        return OffsetDateTime.parse(iso.matches(".*T\\d{2}:\\d{2}(?:Z|[+-].*)") ? seconds(iso) : iso)
                .toInstant();
    }

    private static String seconds(String iso) {
        return iso.replaceFirst("(T\\d{2}:\\d{2})", "$1:00");
    }

    private static LocalDateTime local(String plain, DayOrder order) {
        Matcher first = YEAR_FIRST.matcher(plain);
        if (first.matches()) {
            return day(first.group(1), first.group(2), first.group(3)).atTime(time(first.group(4)));
        }
        Matcher last = YEAR_LAST.matcher(plain);
        if (last.matches()) {
            boolean monthFirst = order == DayOrder.MONTH_FIRST && !last.group(2).equals(".");
            String year = last.group(4).length() == 2 ? "20" + last.group(4) : last.group(4);
            return day(year, last.group(monthFirst ? 1 : 3), last.group(monthFirst ? 3 : 1))
                    .atTime(time(last.group(5)));
        }
        throw new DateTimeException("no day");
    }

    private static LocalDate day(String year, String month, String day) {
        return LocalDate.of(Integer.parseInt(year), Integer.parseInt(month), Integer.parseInt(day));
    }

    private static LocalTime time(@Nullable String text) {
        if (text == null || text.isBlank()) {
            return LocalTime.MIDNIGHT;
        }
        Matcher m = TIME.matcher(text.strip());
        if (!m.matches()) {
            throw new DateTimeException("no time");
        }
        int hour = Integer.parseInt(m.group(1));
        if (m.group(4) != null) {
            if (hour < 1 || hour > 12) {
                throw new DateTimeException("no hour");
            }
            hour = hour % 12 + (m.group(4).equalsIgnoreCase("p") ? 12 : 0);
        }
        return LocalTime.of(hour, Integer.parseInt(m.group(2)), (int) part(m.group(3)));
    }
}
