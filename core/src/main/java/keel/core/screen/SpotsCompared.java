package keel.core.screen;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;

/**
 * What became of the spots of a screen between two inspections. One of the same kind within two millimetres is the
 * same; a photograph is better than that.
 */
public final class SpotsCompared {

    private static final double SAME_PLACE_MM = 2;
    private static final double GROWN_BY = 1.25;
    private static final double GROWN_BY_MM = 0.4;
    private static final double DARKER_BY = 0.1;

    private SpotsCompared() {}

    /** What became of a spot. */
    public enum Fate {
        NEW,
        SAME,
        GROWN,
        GONE
    }

    /** A spot with what became of it; {@code wasMm} is its size at the earlier inspection, null for a new one. */
    public record Compared(Spot spot, Fate fate, Double wasMm) {}

    /** Spots of now first, in their order, then those that are gone. */
    public static List<Compared> of(List<Spot> then, List<Spot> now) {
        List<Spot> left = new ArrayList<>(then);
        List<Compared> compared = new ArrayList<>();
        for (Spot spot : now) {
            Spot was = left.stream()
                    .filter(s -> same(s, spot))
                    .min(Comparator.comparingDouble(s -> distance(s, spot)))
                    .orElse(null);
            left.remove(was);
            boolean grown = was != null && grown(was, spot);
            compared.add(new Compared(
                    spot,
                    was == null ? Fate.NEW : grown ? Fate.GROWN : Fate.SAME,
                    was == null ? null : Double.valueOf(was.sizeMm())));
        }
        left.forEach(s -> compared.add(new Compared(s, Fate.GONE, s.sizeMm())));
        return compared;
    }

    /** Lines by their place across; a patch may be dark where it was dim. */
    private static boolean same(Spot was, Spot now) {
        if (was.kind() == SpotKind.LINE || now.kind() == SpotKind.LINE) {
            double apart = was.deep() ? was.xMm() - now.xMm() : was.yMm() - now.yMm();
            return was.kind() == now.kind() && was.deep() == now.deep() && Math.abs(apart) <= SAME_PLACE_MM;
        }
        return (was.kind() == SpotKind.LIT) == (now.kind() == SpotKind.LIT)
                && distance(was, now) <= Math.max(SAME_PLACE_MM, was.sizeMm() / 2);
    }

    private static boolean grown(Spot was, Spot now) {
        boolean darker = was.light() != null && now.light() != null && now.light() < was.light() - DARKER_BY;
        return darker || now.sizeMm() > GROWN_BY * was.sizeMm() && now.sizeMm() > was.sizeMm() + GROWN_BY_MM;
    }

    private static double distance(Spot a, Spot b) {
        return Math.hypot(a.xMm() - b.xMm(), a.yMm() - b.yMm());
    }
}
