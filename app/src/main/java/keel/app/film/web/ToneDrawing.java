package keel.app.film.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.film.TapTone;
import keel.core.film.ToneTrace;

/**
 * A recording and its spectrum, 640 wide: how far it swings, where the taps were, how strongly each frequency sounds on
 * a logarithmic scale, the peaks named, the reference and what counts as good beside it.
 *
 * @param reference x of the reference tone, null without one
 * @param goodFrom left edge of what counts as good, {@code goodTo} its right edge
 */
public record ToneDrawing(
        String wave,
        List<Double> taps,
        String spectrum,
        List<Named> peaks,
        Double reference,
        double goodFrom,
        double goodTo,
        List<Tick> across,
        String seconds,
        String words) {

    public static final double WIDTH = 640;

    private static final double WAVE_MIDDLE = 34;
    private static final double WAVE_HALF = 30;
    private static final double TOP = 26;
    private static final double BOTTOM = 190;
    private static final double LOW_HZ = 50;
    private static final double HIGH_HZ = 1300;
    private static final double GOOD_RATIO = Math.pow(2, 100 / 1200.0);
    private static final double APART = 46;

    /** A peak with its name. {@code row} keeps the words of near ones apart. */
    public record Named(double x, double y, String name, String hz, int row) {}

    record Tick(double x, String words) {}

    /** @param secondHz the tone of the second mode along the long side, null where it is not told apart */
    public static ToneDrawing of(
            ToneTrace trace, List<TapTone.Peak> peaks, Double fundamentalHz, Double secondHz, Double referenceHz) {
        List<Named> named = new ArrayList<>();
        double last = -99;
        int row = 0;
        for (TapTone.Peak p : peaks) {
            double x = x(p.hz());
            row = x - last < APART ? (row + 1) % 3 : 0;
            named.add(new Named(
                    x,
                    y(strength(trace, p.hz())),
                    name(p.hz(), fundamentalHz, secondHz),
                    String.format(Locale.ROOT, "%.0f Hz", p.hz()),
                    row));
            last = x;
        }
        List<Tick> across = new ArrayList<>();
        for (double hz : new double[] {60, 100, 200, 300, 500, 800}) {
            across.add(new Tick(x(hz), String.format(Locale.ROOT, "%.0f", hz)));
        }
        return new ToneDrawing(
                wave(trace),
                trace.tapsAtS().stream().map(t -> t / trace.seconds() * WIDTH).toList(),
                spectrum(trace),
                named,
                referenceHz == null ? null : Double.valueOf(x(referenceHz)),
                referenceHz == null ? 0 : x(referenceHz / GOOD_RATIO),
                referenceHz == null ? 0 : x(referenceHz * GOOD_RATIO),
                across,
                String.format(Locale.ROOT, "%.1f s", trace.seconds()),
                words(trace, named, referenceHz));
    }

    private static String name(double hz, Double fundamentalHz, Double secondHz) {
        if (fundamentalHz != null && Math.abs(hz / fundamentalHz - 1) < 0.03) {
            return "lowest tone";
        }
        return secondHz != null && Math.abs(hz / secondHz - 1) < 0.02 ? "second, along" : "higher";
    }

    private static String words(ToneTrace trace, List<Named> peaks, Double referenceHz) {
        return String.format(
                        Locale.ROOT,
                        "%.1f s, %d %s. ",
                        trace.seconds(),
                        trace.tapsAtS().size(),
                        trace.tapsAtS().size() == 1 ? "tap" : "taps")
                + (peaks.isEmpty()
                        ? "No clear tone."
                        : "Tones: "
                                + String.join(
                                        ", ",
                                        peaks.stream()
                                                .map(p -> p.name() + " " + p.hz())
                                                .toList()) + ".")
                + (referenceHz == null ? "" : String.format(Locale.ROOT, " Reference %.0f Hz.", referenceHz));
    }

    private static String wave(ToneTrace trace) {
        StringBuilder up = new StringBuilder("M0 " + WAVE_MIDDLE);
        StringBuilder down = new StringBuilder();
        int n = trace.swing().size();
        for (int i = 0; i < n; i++) {
            double x = WIDTH * (i + 0.5) / n;
            up.append(String.format(
                    Locale.ROOT,
                    "L%.1f %.1f",
                    x,
                    WAVE_MIDDLE - WAVE_HALF * trace.swing().get(i)));
            down.insert(
                    0,
                    String.format(
                            Locale.ROOT,
                            "L%.1f %.1f",
                            x,
                            WAVE_MIDDLE + WAVE_HALF * trace.swing().get(i)));
        }
        return up.append("L" + WIDTH + " " + WAVE_MIDDLE)
                .append(down)
                .append("Z")
                .toString();
    }

    private static String spectrum(ToneTrace trace) {
        StringBuilder path = new StringBuilder();
        for (int k = 0; k < trace.strength().size(); k++) {
            double hz = trace.lowHz() + k * trace.stepHz();
            if (hz >= LOW_HZ) {
                path.append(String.format(
                        Locale.ROOT,
                        "%s%.1f %.1f",
                        path.isEmpty() ? "M" : "L",
                        x(hz),
                        y(trace.strength().get(k))));
            }
        }
        return path.toString();
    }

    private static double strength(ToneTrace trace, double hz) {
        int k = (int) Math.round((hz - trace.lowHz()) / trace.stepHz());
        return trace.strength().get(Math.max(0, Math.min(trace.strength().size() - 1, k)));
    }

    private static double x(double hz) {
        return WIDTH * Math.log(Math.max(LOW_HZ, Math.min(HIGH_HZ, hz)) / LOW_HZ) / Math.log(HIGH_HZ / LOW_HZ);
    }

    private static double y(double db) {
        return BOTTOM - (BOTTOM - TOP) * (db - ToneTrace.FLOOR_DB) / -ToneTrace.FLOOR_DB;
    }
}
