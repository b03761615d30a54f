package keel.app.screen.web;

import java.util.List;
import java.util.Locale;
import keel.core.screen.ScreenInspection.Hidden;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.SpotsCompared;
import keel.core.screen.SpotsCompared.Compared;

/** The screen from above in mm, front edge below, with its spots; y from the back edge. */
record SpotMap(double width, double depth, List<Drawn> spots, List<Unseen> unseen, String words) {

    /** A spot: its middle, its reach, the radius of its corners, its kind, and what became of it. */
    record Drawn(double x, double y, double rx, double ry, double corner, String kind, String fate, String words) {

        static Drawn of(Compared c, double width, double depth) {
            Spot s = c.spot();
            double least = width / (s.round() ? 150 : 500);
            double rx = Math.max(least, s.halfAcross());
            return new Drawn(
                    s.xMm(),
                    depth - s.yMm(),
                    rx,
                    Math.max(least, s.halfDeep()),
                    s.round() ? rx : 0,
                    s.kind().name().toLowerCase(Locale.ROOT),
                    c.fate().name().toLowerCase(Locale.ROOT),
                    SpotMap.words(c));
        }
    }

    /** A rectangle that the photograph does not show, from the back left. */
    record Unseen(double x, double y, double w, double d) {}

    static SpotMap of(double width, double depth, List<Compared> spots, List<Hidden> hidden) {
        List<Drawn> drawn = spots.stream().map(c -> Drawn.of(c, width, depth)).toList();
        long there =
                spots.stream().filter(c -> c.fate() != SpotsCompared.Fate.GONE).count();
        return new SpotMap(
                width,
                depth,
                drawn,
                hidden.stream()
                        .map(h -> new Unseen(h.xMm(), depth - h.yMm() - h.deepMm(), h.acrossMm(), h.deepMm()))
                        .toList(),
                (hidden.isEmpty() ? "" : "Part of the screen was not seen. ")
                        + (there == 0
                                ? "No spots on the screen."
                                : there + (there == 1 ? " spot: " : " spots: ")
                                        + String.join(
                                                "; ",
                                                drawn.stream().map(Drawn::words).toList()) + "."));
    }

    private static String words(Compared c) {
        String fate =
                switch (c.fate()) {
                    case NEW -> ", new";
                    case SAME -> "";
                    case GROWN -> String.format(Locale.ROOT, ", was %.1f mm", c.wasMm());
                    case GONE -> ", no longer seen";
                };
        return String.format(
                Locale.ROOT,
                "%s at %.0f, %.0f%s",
                c.spot().words(),
                c.spot().xMm(),
                c.spot().yMm(),
                fate);
    }
}
