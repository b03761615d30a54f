package keel.core.placement;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.core.Findings;

/**
 * Footprints as somebody types them: "60 x 40", or "60x40, 3 of 20 x 15", mm, length by width. And where they lie, a
 * line each: "72 40 60 40 90", the middle from the left and from the front, length, width, and the turn in degrees if
 * there is one.
 */
public final class FootprintWords {

    private static final int MOST = 60;
    private static final double MOST_MM = 2000;
    private static final Pattern SIZE = Pattern.compile(
            "(?:(\\d{1,3})\\s+of\\s+)?(\\d{1,4}(?:\\.\\d+)?)\\s*(?:x|×|by|\\*)\\s*(\\d{1,4}(?:\\.\\d+)?)\\s*(?:mm)?",
            Pattern.CASE_INSENSITIVE);

    private FootprintWords() {}

    /** What does not read is added to the findings at that field; an empty text has no sizes. */
    public static List<Placement.Size> sizes(String text, String field, Findings findings) {
        List<Placement.Size> sizes = new ArrayList<>();
        for (String item :
                text == null || text.isBlank() ? new String[0] : text.strip().split("\\s*[;,\\n]\\s*")) {
            Matcher m = SIZE.matcher(item.strip());
            if (!m.matches() || Double.parseDouble(m.group(2)) < 0.1 || Double.parseDouble(m.group(3)) < 0.1) {
                findings.add(
                        field,
                        "\"" + shortened(item)
                                + "\" is no footprint. Like \"60 x 40\" or \"3 of 20 x 15\": length by width in mm.");
                return List.of();
            }
            int count = m.group(1) == null ? 1 : Integer.parseInt(m.group(1));
            for (int i = 0; i < count && sizes.size() <= MOST; i++) {
                sizes.add(new Placement.Size(Double.parseDouble(m.group(2)), Double.parseDouble(m.group(3))));
            }
        }
        findings.when(
                sizes.size() > MOST,
                field,
                "More than " + MOST + " footprints: give the rectangle around several of them.");
        return sizes.size() > MOST ? List.of() : sizes;
    }

    /** Sizes as text again, the same ones counted together. */
    public static String text(List<Placement.Size> sizes) {
        List<String> items = new ArrayList<>();
        sizes.stream().distinct().forEach(s -> {
            long count = sizes.stream().filter(s::equals).count();
            items.add((count > 1 ? count + " of " : "") + plain(s.lengthMm()) + " x " + plain(s.widthMm()));
        });
        return String.join(", ", items);
    }

    /** A line for each. */
    public static String lines(List<PlacedPart> parts) {
        return String.join(
                "\n",
                parts.stream()
                        .map(p -> String.join(
                                        " ", plain(p.xMm()), plain(p.yMm()), plain(p.lengthMm()), plain(p.widthMm()))
                                + (p.rotationDeg() == 0 ? "" : " " + p.rotationDeg()))
                        .toList());
    }

    /** What does not read is added to the findings at that field. */
    public static List<PlacedPart> parts(String lines, String field, Findings findings) {
        List<PlacedPart> parts = new ArrayList<>();
        for (String line :
                lines == null || lines.isBlank() ? new String[0] : lines.strip().split("\\R")) {
            String[] words = line.strip().split("\\s+");
            try {
                if (words.length < 4 || words.length > 5) {
                    throw new NumberFormatException();
                }
                double[] n = new double[4];
                for (int i = 0; i < n.length; i++) {
                    n[i] = Double.parseDouble(words[i]);
                    if (!(n[i] <= MOST_MM)) {
                        throw new NumberFormatException();
                    }
                }
                parts.add(new PlacedPart(n[0], n[1], n[2], n[3], words.length == 5 ? Integer.parseInt(words[4]) : 0));
            } catch (IllegalArgumentException e) {
                findings.add(
                        field,
                        "\"" + shortened(line)
                                + "\" is no rectangle. Like \"72 40 60 40\": mm from the left and from the front to "
                                + "its middle, length, width, and its turn if it has one.");
                return List.of();
            }
        }
        findings.when(parts.size() > Footprint.Parts.MOST, field, "More than " + Footprint.Parts.MOST + " rectangles.");
        return parts.size() > Footprint.Parts.MOST ? List.of() : parts;
    }

    private static String shortened(String text) {
        return text.length() > 40 ? text.substring(0, 40) + "…" : text.strip();
    }

    private static String plain(double number) {
        double rounded = Math.round(number * 10) / 10.0;
        return rounded == Math.rint(rounded)
                ? Long.toString((long) rounded)
                : String.format(Locale.ROOT, "%.1f", rounded);
    }
}
