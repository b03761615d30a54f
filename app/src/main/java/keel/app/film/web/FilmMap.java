package keel.app.film.web;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.app.film.Vats;
import keel.app.standing.WearLevels;
import keel.core.film.FilmMark;
import keel.core.film.MarksCompared;
import keel.core.placement.WearMap;

/**
 * The film from above with its marks, in mm, front edge below: the plate's outline in the window of the frame.
 *
 * @param left of the window against the plate, mm (negative: it is wider)
 * @param worn regions worn more and more, lightest first
 * @param words the same as a sentence
 */
public record FilmMap(
        double plateWidth,
        double plateDepth,
        double left,
        double top,
        double windowWidth,
        double windowDepth,
        List<Spot> spots,
        List<String> worn,
        String words) {

    private static final double MARGIN = 12;

    /** A mark: its middle (y from the back edge), its radius, what it is and what became of it. */
    public record Spot(double x, double y, double r, String kind, String fate, String words) {}

    /** @param wear UV hours of each cell; empty where they are not shown */
    public static FilmMap of(Vats.Model model, List<MarksCompared.Compared> marks, Optional<WearMap> wear) {
        boolean wide = model.plateWidthMm() >= model.plateDepthMm();
        double w = model.windowMeasured()
                ? (wide ? model.window().lengthMm() : model.window().widthMm())
                : model.plateWidthMm() + 2 * MARGIN;
        double d = model.windowMeasured()
                ? (wide ? model.window().widthMm() : model.window().lengthMm())
                : model.plateDepthMm() + 2 * MARGIN;
        List<Spot> spots = new ArrayList<>();
        for (MarksCompared.Compared c : marks) {
            FilmMark m = c.mark();
            spots.add(new Spot(
                    m.xMm(),
                    model.plateDepthMm() - m.yMm(),
                    Math.max(1.6, m.sizeMm() / 2),
                    m.kind().name().toLowerCase(Locale.ROOT),
                    c.fate().name().toLowerCase(Locale.ROOT),
                    words(c)));
        }
        long there =
                marks.stream().filter(c -> c.fate() != MarksCompared.Fate.GONE).count();
        return new FilmMap(
                model.plateWidthMm(),
                model.plateDepthMm(),
                (model.plateWidthMm() - w) / 2,
                (model.plateDepthMm() - d) / 2,
                w,
                d,
                spots,
                wear.map(m -> WearLevels.of(m.cells(), m.uvHours()).paths()).orElse(List.of()),
                there == 0
                        ? "No dents or scratches on record."
                        : there + (there == 1 ? " mark: " : " marks: ")
                                + String.join(
                                        "; ", marks.stream().map(FilmMap::words).toList()) + ".");
    }

    public String viewBox() {
        double x = Math.min(0, left) - 2;
        double y = Math.min(0, top) - 2;
        return String.format(
                Locale.ROOT,
                "%.1f %.1f %.1f %.1f",
                x,
                y,
                Math.max(plateWidth, windowWidth) + 4,
                Math.max(plateDepth, windowDepth) + 11);
    }

    private static String words(MarksCompared.Compared c) {
        FilmMark m = c.mark();
        String fate =
                switch (c.fate()) {
                    case NEW -> ", new";
                    case SAME -> "";
                    case GROWN -> String.format(Locale.ROOT, ", was %.1f mm", c.wasMm());
                    case GONE -> ", no longer seen";
                };
        return String.format(
                Locale.ROOT,
                "%s %.1f mm at %.0f, %.0f%s",
                m.kind().words().toLowerCase(Locale.ROOT),
                m.sizeMm(),
                m.xMm(),
                m.yMm(),
                fate);
    }
}
