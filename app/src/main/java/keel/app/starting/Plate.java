package keel.app.starting;

import java.util.List;
import keel.app.standing.WearMaps;
import keel.core.placement.Placement;
import keel.core.placement.PlateCells;
import keel.core.screen.ScreenInspection;

/**
 * A machine's plate as a job finds it.
 *
 * @param film map of the film or tank floor that is in, null if none
 * @param screen map of the screen, null where the machine has none
 * @param spots what to keep off
 * @param shared share of a usual life that is used up in each cell, of film and screen together
 * @param askew why parts are turned by 45°, null where they are not
 */
public record Plate(
        String machine,
        String machineName,
        PlateCells cells,
        Worn film,
        Worn screen,
        List<Spot> spots,
        double[] shared,
        String askew) {

    /** What is kept off spots and other parts, mm. Common practice, no source. */
    public static final double MARGIN_MM = 2;

    /** A film or screen. */
    public record Worn(String code, String words, WearMaps.Known known) {}

    /** A place to keep off, and what it is; {@code onScreen} is its shape, null for a mark of the film, a round. */
    public record Spot(double xMm, double yMm, double sizeMm, String words, ScreenInspection.Spot onScreen) {

        static Spot of(ScreenInspection.Spot s) {
            String words =
                    switch (s.kind()) {
                        case LINE -> "dead line of the screen";
                        case DIM -> "region of the screen with less light";
                        default -> "spot on the screen";
                    };
            return new Spot(s.xMm(), s.yMm(), s.sizeMm(), words, s);
        }

        public List<Placement.Spot> spots() {
            return onScreen == null
                    ? List.of(new Placement.Spot(xMm, yMm, sizeMm))
                    : onScreen.rounds().stream()
                            .map(r -> new Placement.Spot(r.xMm(), r.yMm(), r.sizeMm()))
                            .toList();
        }
    }

    public boolean anyWear() {
        return film != null && film.known().placedPrints() > 0
                || screen != null && screen.known().placedPrints() > 0;
    }
}
