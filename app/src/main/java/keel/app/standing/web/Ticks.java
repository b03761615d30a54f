package keel.app.standing.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Round figures along an axis. */
final class Ticks {

    private Ticks() {}

    /** One of them; x in px. */
    record Tick(double x, String words) {}

    /** From 0 to the most, about six of them. */
    static List<Tick> of(double most, double left, double right) {
        double step = Math.pow(10, Math.floor(Math.log10(most / 3)));
        step = most / step > 12 ? 5 * step : most / step > 6 ? 2 * step : step;
        List<Tick> ticks = new ArrayList<>();
        for (double at = 0; at <= most; at += step) {
            ticks.add(new Tick(
                    left + at / most * (right - left), String.format(Locale.ROOT, step < 1 ? "%.1f" : "%.0f", at)));
        }
        return ticks;
    }
}
