package keel.app.floor.month;

import java.time.Instant;
import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;

/**
 * A month of the shop.
 *
 * @param over whether it has ended
 * @param before the month before it
 * @param says what is to be known of it in a few sentences, the weightiest first
 * @param days a row for each day up to now
 * @param machines one that prints most first
 * @param causes what most was lost by first
 * @param money by line; {@code bought} is null where nothing was ever paid for it
 * @param further changes that are not listed
 * @param decide as of today; null of a month that is long over
 */
public record MonthReport(
        String shop,
        YearMonth month,
        boolean over,
        Numbers now,
        Numbers before,
        List<String> says,
        List<Day> days,
        List<Machine> machines,
        List<Cause> causes,
        List<Line> money,
        List<Change> changes,
        int further,
        List<Decision> decide) {

    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH);

    /**
     * Prints that began in a month and have ended.
     *
     * @param perGood money for each that came out; null where none did
     */
    public record Numbers(int prints, int cameOut, double hours, double cost, double lost, Double perGood) {

        public int failed() {
            return prints - cameOut;
        }

        /** Null where nothing was printed. */
        public Double share() {
            return prints == 0 ? null : Double.valueOf((double) cameOut / prints);
        }
    }

    /** How many prints of a day came out, and how many did not. */
    public record Day(int day, int cameOut, int failed) {}

    public record Machine(String name, String path, int prints, int cameOut, double hours, double lost) {}

    public record Cause(String name, int prints, double lost) {}

    public record Line(String name, double cost, Double bought) {}

    public record Change(Instant at, String text) {}

    /** Something that somebody should decide, and where. */
    public record Decision(String text, String label, String path) {}

    public String name() {
        return NAME.format(month);
    }

    /** Prints of the day on which most began. */
    public int most() {
        return days.stream().mapToInt(d -> d.cameOut() + d.failed()).max().orElse(0);
    }
}
