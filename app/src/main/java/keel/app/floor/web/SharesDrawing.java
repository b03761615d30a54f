package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.pattern.Pattern.Counts;

/**
 * Shares of prints that failed, a row each: a dot, and its 95 % interval as a line.
 *
 * @param rows the first on top
 * @param words the same in a sentence
 */
record SharesDrawing(double width, double height, Axis axis, List<ShareRow> rows, String words) {

    private static final double WIDTH = 460;
    private static final double LEFT = 132;
    private static final double RIGHT = 446;
    private static final double EACH = 26;
    private static final double TOP = 16;
    private static final double FOOT = 24;

    /** What is drawn of a group of prints; {@code clear} where it stands out. */
    record Share(String name, Counts counts, boolean clear) {}

    /** A row, px. */
    record ShareRow(double y, String name, double dot, double low, double high, boolean clear, String words) {

        public double text() {
            return y + 4.5;
        }
    }

    static SharesDrawing of(List<Share> shares) {
        List<Share> some = shares.stream().filter(s -> s.counts().prints() > 0).toList();
        double most = some.stream().mapToDouble(s -> high(s.counts())).max().orElse(0.1);
        Axis axis = Axis.of(LEFT, RIGHT, most, 100, "%.0f %%");
        List<ShareRow> rows = new ArrayList<>();
        for (Share s : some) {
            rows.add(new ShareRow(
                    TOP + EACH * rows.size(),
                    s.name(),
                    axis.at(s.counts().rate()),
                    axis.at(low(s.counts())),
                    axis.at(high(s.counts())),
                    s.clear(),
                    words(s)));
        }
        return new SharesDrawing(
                WIDTH,
                TOP + EACH * rows.size() + FOOT - 8,
                axis,
                rows,
                String.join("; ", rows.stream().map(ShareRow::words).toList()));
    }

    public double base() {
        return height - FOOT;
    }

    private static double low(Counts c) {
        return 1 - c.cameOut().high();
    }

    private static double high(Counts c) {
        return 1 - c.cameOut().low();
    }

    private static String words(Share s) {
        return String.format(
                Locale.ROOT,
                "%s: %d of %d failed, %.0f %%, between %.0f and %.0f %%",
                s.name(),
                s.counts().failed(),
                s.counts().prints(),
                100 * s.counts().rate(),
                100 * low(s.counts()),
                100 * high(s.counts()));
    }
}
