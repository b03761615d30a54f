package keel.app.floor.web;

import java.time.YearMonth;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.app.stores.Costs;

/**
 * Months as columns of prints: what came out below, what failed hatched on it.
 *
 * @param words the same in a sentence
 */
record MonthsDrawing(double width, double height, double base, Axis axis, List<Month> months, String words) {

    private static final double WIDTH = 620;
    private static final double HEIGHT = 220;
    private static final double BASE = 186;
    private static final double TOP = 12;
    private static final double LEFT = 44;
    private static final double FILLED = 0.64;
    private static final DateTimeFormatter NAME = DateTimeFormatter.ofPattern("MMM", Locale.ENGLISH);

    /** A month, px. */
    record Month(double x, double width, double failedTop, double goodTop, String name, String words) {

        public double middle() {
            return x + width / 2;
        }

        public double failedHigh() {
            return goodTop - failedTop;
        }

        public double goodHigh() {
            return BASE - goodTop;
        }
    }

    static MonthsDrawing of(List<Costs.Group> all) {
        int most = all.stream().mapToInt(m -> m.used().prints()).max().orElse(1);
        Axis axis = Axis.of(BASE, TOP, most, 1, "%.0f");
        double each = (WIDTH - LEFT) / Math.max(1, all.size());
        List<Month> months = new ArrayList<>();
        for (Costs.Group m : all) {
            String name = NAME.format(YearMonth.parse(m.name()));
            months.add(new Month(
                    LEFT + each * (months.size() + (1 - FILLED) / 2),
                    each * FILLED,
                    axis.at(m.used().prints()),
                    axis.at(m.good()),
                    name,
                    String.format(
                            Locale.ROOT,
                            "%s: %d prints, %d came out",
                            YearMonth.parse(m.name()).format(DateTimeFormatter.ofPattern("MMMM yyyy", Locale.ENGLISH)),
                            m.used().prints(),
                            m.good())));
        }
        return new MonthsDrawing(
                WIDTH,
                HEIGHT,
                BASE,
                axis,
                months,
                String.join("; ", months.stream().map(Month::words).toList()));
    }
}
