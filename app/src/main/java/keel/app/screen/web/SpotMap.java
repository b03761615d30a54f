package keel.app.screen.web;

import java.util.List;
import java.util.Locale;
import keel.core.screen.SpotsCompared;
import keel.core.screen.SpotsCompared.Compared;

/** The screen from above in mm, front edge below, with its spots; y from the back edge. */
record SpotMap(double width, double depth, List<Drawn> spots, String words) {

    /** A spot: its middle, its radius, dark or lit, and what became of it. */
    record Drawn(double x, double y, double r, String kind, String fate, String words) {}

    static SpotMap of(double width, double depth, List<Compared> spots) {
        List<Drawn> drawn = spots.stream()
                .map(c -> new Drawn(
                        c.spot().xMm(),
                        depth - c.spot().yMm(),
                        Math.max(width / 150, c.spot().sizeMm() / 2),
                        c.spot().kind().name().toLowerCase(Locale.ROOT),
                        c.fate().name().toLowerCase(Locale.ROOT),
                        words(c)))
                .toList();
        long there =
                spots.stream().filter(c -> c.fate() != SpotsCompared.Fate.GONE).count();
        return new SpotMap(
                width,
                depth,
                drawn,
                there == 0
                        ? "No spots on the screen."
                        : there + (there == 1 ? " spot: " : " spots: ")
                                + String.join(
                                        "; ", drawn.stream().map(Drawn::words).toList()) + ".");
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
                "stays %s, %.1f mm at %.0f, %.0f%s",
                c.spot().kind().name().toLowerCase(Locale.ROOT),
                c.spot().sizeMm(),
                c.spot().xMm(),
                c.spot().yMm(),
                fate);
    }
}
