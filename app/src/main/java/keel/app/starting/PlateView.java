package keel.app.starting;

import java.util.List;
import java.util.Locale;
import keel.core.placement.PlacedPart;
import keel.core.placement.PlateCells;
import keel.core.placement.WearMap;

/**
 * What a page shows of a plate: a map of its film, of its screen, or of both together.
 *
 * @param which what is shown
 * @param says how evenly it is worn, as a sentence
 * @param placed how much of it is known, as a sentence; empty where all is
 */
public record PlateView(Which which, PlateDrawing drawing, String says, String placed) {

    /** What is shown. */
    public enum Which {
        BOTH("Both together"),
        FILM("Film"),
        SCREEN("Screen");

        private final String words;

        Which(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    public static PlateView of(
            Plate plate, Which which, boolean peels, List<PlacedPart> places, List<PlacedPart> middle) {
        Plate.Worn worn = which == Which.FILM ? plate.film() : which == Which.SCREEN ? plate.screen() : null;
        if (worn == null) {
            String says = plate.anyWear()
                    ? both(plate)
                    : "No run on this film or screen says yet where it lay. Once some do, the worn places show here.";
            return new PlateView(Which.BOTH, drawing(plate, plate.shared(), places, middle, says), says, "");
        }
        WearMap map = worn.known().map();
        double[] values = peels ? map.peels() : map.uvHours();
        String says = says(worn.words(), peels ? map.spreadOfPeels() : map.spread(), map.cells(), peels);
        return new PlateView(which, drawing(plate, values, places, middle, says), says, placed(worn));
    }

    private static PlateDrawing drawing(
            Plate plate, double[] wear, List<PlacedPart> places, List<PlacedPart> middle, String says) {
        String spots = plate.spots().isEmpty()
                ? ""
                : String.format(Locale.ROOT, " %d to keep off.", plate.spots().size());
        String where = places.isEmpty()
                ? ""
                : String.format(
                        Locale.ROOT,
                        " The job lies at %s.",
                        String.join("; ", places.stream().map(PlateView::words).toList()));
        return PlateDrawing.of(plate.cells(), wear, plate.spots(), places, middle, says + spots + where);
    }

    /** A place in words. */
    public static String words(PlacedPart p) {
        return String.format(
                Locale.ROOT,
                "%.0f mm from the left, %.0f mm from the front%s",
                p.xMm(),
                p.yMm(),
                p.rotationDeg() == 0 ? "" : ", turned by " + p.rotationDeg() + "°");
    }

    private static String both(Plate plate) {
        double[] shared = plate.shared();
        double most = 0;
        double sum = 0;
        for (double share : shared) {
            most = Math.max(most, share);
            sum += share;
        }
        double mean = sum / shared.length;
        return String.format(
                Locale.ROOT,
                "Where it is worn most, %s %% of a usual life is used up; on the whole %s %%.",
                percent(most),
                percent(mean));
    }

    private static String says(String name, WearMap.Spread spread, PlateCells cells, boolean peels) {
        if (spread.most() == 0) {
            return name + ": no run on it says yet where it lay.";
        }
        String unit = peels ? "peels" : "UV h";
        return String.format(
                Locale.ROOT,
                peels
                        ? "%s: %.0f %s at the worst, %.0f from the left and %.0f mm from the front; %.0f on the "
                                + "whole, unevenness %.0f %% (0 is even)."
                        : "%s: %.1f %s at the worst, %.0f from the left and %.0f mm from the front; %.1f on the "
                                + "whole, unevenness %.0f %% (0 is even).",
                name,
                spread.most(),
                unit,
                cells.xMm(spread.worst()),
                cells.yMm(spread.worst()),
                spread.mean(),
                100 * spread.unevenness());
    }

    private static String placed(Plate.Worn worn) {
        return worn.known().placed() > 0.995
                ? ""
                : String.format(
                        Locale.ROOT,
                        "Of %.0f UV h on record, %.0f say where.",
                        worn.known().uvHours(),
                        worn.known().placedUvHours());
    }

    private static String percent(double share) {
        return String.format(Locale.ROOT, share < 0.1 ? "%.1f" : "%.0f", 100 * share);
    }
}
