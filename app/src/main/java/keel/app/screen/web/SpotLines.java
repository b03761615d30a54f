package keel.app.screen.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.Findings;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;

/**
 * Spots as lines of text, as the page writes them and as a person can type them: "dark 40 22 1.5", mm from the left and
 * the front, and its size; "dim 60 40 42x42 70" with its light in percent; "line x 101.5" for a dead column.
 */
final class SpotLines {

    private static final int MOST = 500;
    private static final double THIN_MM = 0.1;
    private static final double UNKNOWN_LIGHT = 0.5;

    private SpotLines() {}

    static String text(List<Spot> spots) {
        return String.join("\n", spots.stream().map(SpotLines::line).toList());
    }

    private static String line(Spot s) {
        return switch (s.kind()) {
            case DARK, LIT ->
                String.format(
                        Locale.ROOT,
                        "%s %.1f %.1f %.1f",
                        s.kind().name().toLowerCase(Locale.ROOT),
                        s.xMm(),
                        s.yMm(),
                        s.sizeMm());
            case LINE -> String.format(Locale.ROOT, "line %s %.1f", s.deep() ? "x" : "y", s.deep() ? s.xMm() : s.yMm());
            case DIM ->
                String.format(
                        Locale.ROOT,
                        "dim %.1f %.1f %s %.0f",
                        s.xMm(),
                        s.yMm(),
                        s.round()
                                ? String.format(Locale.ROOT, "%.1f", s.sizeMm())
                                : String.format(Locale.ROOT, "%.1fx%.1f", s.acrossMm(), s.deepMm()),
                        100 * (s.light() == null ? UNKNOWN_LIGHT : s.light()));
        };
    }

    /** @param widthMm of the screen, {@code heightMm} front to back */
    static List<Spot> read(String text, double widthMm, double heightMm, Findings findings) {
        List<Spot> spots = new ArrayList<>();
        for (String line :
                text == null || text.isBlank() ? new String[0] : text.strip().split("\\R")) {
            String[] words =
                    line.strip().toLowerCase(Locale.ROOT).replace(',', '.').split("\\s+");
            try {
                Spot spot = spot(words, widthMm, heightMm);
                if (findings.range(spot.xMm(), 0, widthMm, "spots", "A spot's place from the left", "mm")
                        && findings.range(spot.yMm(), 0, heightMm, "spots", "A spot's place from the front", "mm")
                        && findings.range(spot.sizeMm(), 0.05, 500, "spots", "A spot's size", "mm")) {
                    spots.add(spot);
                }
            } catch (IllegalArgumentException e) {
                findings.add(
                        "spots",
                        "This is no spot: \"" + (line.length() > 40 ? line.substring(0, 40) + "…" : line.strip())
                                + "\". Like \"dark 40 22 1.5\": dark or lit, mm from the left, mm from the front, "
                                + "its size in mm; or \"dim 60 40 42x42 70\"; or \"line x 101.5\".");
            }
        }
        findings.when(spots.size() > MOST, "spots", "More than " + MOST + " spots: such a screen is best changed.");
        return spots;
    }

    /** @throws IllegalArgumentException if it is none */
    private static Spot spot(String[] words, double widthMm, double heightMm) {
        SpotKind kind = SpotKind.valueOf(words[0].toUpperCase(Locale.ROOT));
        int expected = kind == SpotKind.LINE ? 3 : kind == SpotKind.DIM ? 5 : 4;
        if (words.length != expected) {
            throw new IllegalArgumentException(words.length + " words");
        }
        if (kind == SpotKind.LINE) {
            double at = Double.parseDouble(words[2]);
            return switch (words[1]) {
                case "x" -> Spot.line(at, heightMm / 2, THIN_MM, heightMm, true, 1);
                case "y" -> Spot.line(widthMm / 2, at, THIN_MM, widthMm, false, 1);
                default -> throw new IllegalArgumentException(words[1]);
            };
        }
        double x = Double.parseDouble(words[1]);
        double y = Double.parseDouble(words[2]);
        return kind == SpotKind.DIM
                ? dim(x, y, words[3], Double.parseDouble(words[4]) / 100)
                : new Spot(kind, x, y, Double.parseDouble(words[3]), 1);
    }

    private static Spot dim(double x, double y, String size, double light) {
        if (!(light >= 0 && light <= 1)) {
            throw new IllegalArgumentException("light " + light);
        }
        String[] sides = size.split("x");
        double across = Double.parseDouble(sides[0]);
        if (sides.length == 1) {
            return new Spot(SpotKind.DIM, x, y, across, 1, null, light, null, null);
        }
        double deep = Double.parseDouble(sides[1]);
        return new Spot(SpotKind.DIM, x, y, 2 * Math.sqrt(across * deep / Math.PI), 1, null, light, across, deep);
    }
}
