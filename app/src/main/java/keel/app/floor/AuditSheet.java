package keel.app.floor;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import keel.app.floor.Audit.About;
import keel.app.floor.Audit.Found;

/** Figures held against one another so far, and what differed. */
final class AuditSheet {

    private static final double CLOSE = 1e-6;

    private int looked;
    private final List<Found> found = new ArrayList<>();

    void number(About about, String what, double shown, double reckoned, String page) {
        unless(
                !(Math.abs(shown - reckoned) <= CLOSE * Math.max(1, Math.abs(reckoned))),
                new Found(about, what, plain(shown), plain(reckoned), page));
    }

    void text(About about, String what, Object shown, Object reckoned, String page) {
        unless(
                !Objects.equals(shown, reckoned),
                new Found(about, what, String.valueOf(shown), String.valueOf(reckoned), page));
    }

    void unless(boolean wrong, Found finding) {
        looked++;
        if (wrong) {
            found.add(finding);
        }
    }

    int looked() {
        return looked;
    }

    List<Found> found() {
        return List.copyOf(found);
    }

    private static String plain(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.format(Locale.ROOT, "%.4f", value);
    }
}
