package keel.app.film.web;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import keel.core.Findings;
import keel.core.film.FilmMark;

/**
 * Marks as lines of text, as the map's script writes them and as a person can type them: "dent 40 22 3", mm from the
 * left and the front, and its size.
 */
public final class MarkLines {

    private MarkLines() {}

    public static String text(List<FilmMark> marks) {
        return String.join(
                "\n",
                marks.stream()
                        .map(m -> String.format(
                                Locale.ROOT,
                                "%s %.1f %.1f %.1f",
                                m.kind().name().toLowerCase(Locale.ROOT),
                                m.xMm(),
                                m.yMm(),
                                m.sizeMm()))
                        .toList());
    }

    public static List<FilmMark> read(String text, Findings findings) {
        List<FilmMark> marks = new ArrayList<>();
        if (text == null || text.isBlank()) {
            return marks;
        }
        for (String line : text.strip().split("\\R")) {
            String[] words = line.strip().replace(',', '.').split("\\s+");
            FilmMark.MarkKind kind = Arrays.stream(FilmMark.MarkKind.values())
                    .filter(k -> k.name().equalsIgnoreCase(words[0]))
                    .findFirst()
                    .orElse(null);
            try {
                if (kind == null || words.length != 4) {
                    throw new NumberFormatException();
                }
                marks.add(new FilmMark(
                        kind,
                        Double.parseDouble(words[1]),
                        Double.parseDouble(words[2]),
                        Double.parseDouble(words[3])));
            } catch (NumberFormatException e) {
                findings.add(
                        "marks",
                        "This is no mark: \"" + line.strip()
                                + "\". Like \"dent 40 22 3\": what, mm from the left, mm from the front, its size "
                                + "in mm.");
            }
        }
        return marks;
    }
}
