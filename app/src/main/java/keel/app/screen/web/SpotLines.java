package keel.app.screen.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import keel.core.Findings;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;

/**
 * Spots as lines of text, as the page writes them and as a person can type them: "dark 40 22 1.5", mm from the left and
 * the front, and its size.
 */
final class SpotLines {

    private static final int MOST = 500;

    private SpotLines() {}

    static String text(List<Spot> spots) {
        return String.join(
                "\n",
                spots.stream()
                        .map(s -> String.format(
                                Locale.ROOT,
                                "%s %.1f %.1f %.1f",
                                s.kind().name().toLowerCase(Locale.ROOT),
                                s.xMm(),
                                s.yMm(),
                                s.sizeMm()))
                        .toList());
    }

    /** @param widthMm of the screen, {@code heightMm} front to back */
    static List<Spot> read(String text, double widthMm, double heightMm, Findings findings) {
        List<Spot> spots = new ArrayList<>();
        for (String line :
                text == null || text.isBlank() ? new String[0] : text.strip().split("\\R")) {
            String[] words = line.strip().replace(',', '.').split("\\s+");
            try {
                if (words.length != 4) {
                    throw new NumberFormatException();
                }
                Spot spot = new Spot(
                        SpotKind.valueOf(words[0].toUpperCase(Locale.ROOT)),
                        Double.parseDouble(words[1]),
                        Double.parseDouble(words[2]),
                        Double.parseDouble(words[3]),
                        1);
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
                                + "its size in mm.");
            }
        }
        findings.when(spots.size() > MOST, "spots", "More than " + MOST + " spots: such a screen is best changed.");
        return spots;
    }
}
