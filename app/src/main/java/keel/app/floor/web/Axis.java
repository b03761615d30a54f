package keel.app.floor.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A straight axis from 0 on, with marks at round numbers: the one way in which patterns are measured.
 *
 * @param from place of 0, px; {@code to} that of {@code most}
 * @param most the last round number, at or above all that is drawn
 */
record Axis(double from, double to, double most, List<Mark> marks) {

    private static final int MARKS = 5;

    /** A round number and its place, px. */
    record Mark(double at, String text) {}

    /** @param unit behind each number, as "%.0f %%" */
    static Axis of(double from, double to, double most, double scale, String unit) {
        double step = step(Math.max(most, 1e-9) * scale / MARKS);
        double top = Math.max(1, Math.ceil(most * scale / step - 1e-9)) * step;
        List<Mark> marks = new ArrayList<>();
        for (int i = 0; i * step <= top + 1e-9; i++) {
            marks.add(new Mark(from + (to - from) * i * step / top, String.format(Locale.ROOT, unit, i * step)));
        }
        return new Axis(from, to, top / scale, marks);
    }

    /** 1, 2 or 5 times a power of ten, at or above. */
    private static double step(double least) {
        double power = Math.pow(10, Math.floor(Math.log10(least)));
        for (double times : new double[] {1, 2, 5}) {
            if (times * power >= least - 1e-12) {
                return times * power;
            }
        }
        return 10 * power;
    }

    /** Place of a value, px. */
    double at(double value) {
        return from + (to - from) * Math.min(value, most) / most;
    }
}
