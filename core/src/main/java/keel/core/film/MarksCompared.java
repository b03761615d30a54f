package keel.core.film;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What became of the marks of a film between two looks. A mark is taken for the same as the nearest earlier one within
 * a few millimetres; by so much does a finger miss on a tablet. Common practice, no source.
 */
public final class MarksCompared {

    private static final double SAME_PLACE_MM = 7;
    private static final double GROWN_BY = 1.3;
    private static final double GROWN_BY_MM = 1;

    private MarksCompared() {}

    /** What became of a mark. */
    public enum Fate {
        NEW,
        SAME,
        GROWN,
        GONE
    }

    /** A mark with what became of it; {@code wasMm} is its size at the earlier look, null for a new one. */
    public record Compared(FilmMark mark, Fate fate, Double wasMm) {}

    /** Marks of now first, in their order, then those that are gone. */
    public static List<Compared> of(List<FilmMark> then, List<FilmMark> now) {
        List<FilmMark> left = new ArrayList<>(then);
        List<Compared> compared = new ArrayList<>();
        for (FilmMark mark : now) {
            FilmMark was = left.stream()
                    .filter(m -> distance(m, mark) <= Math.max(SAME_PLACE_MM, m.sizeMm() / 2))
                    .min(Comparator.comparingDouble(m -> distance(m, mark)))
                    .orElse(null);
            left.remove(was);
            compared.add(new Compared(
                    mark,
                    was == null ? Fate.NEW : grown(was, mark) ? Fate.GROWN : Fate.SAME,
                    was == null ? null : Double.valueOf(was.sizeMm())));
        }
        left.forEach(m -> compared.add(new Compared(m, Fate.GONE, m.sizeMm())));
        return compared;
    }

    private static boolean grown(FilmMark was, FilmMark now) {
        return now.kind() == FilmMark.MarkKind.HOLE && was.kind() != FilmMark.MarkKind.HOLE
                || now.sizeMm() > GROWN_BY * was.sizeMm() && now.sizeMm() > was.sizeMm() + GROWN_BY_MM;
    }

    private static double distance(FilmMark a, FilmMark b) {
        return Math.hypot(a.xMm() - b.xMm(), a.yMm() - b.yMm());
    }
}
