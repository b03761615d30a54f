package keel.app.starting;

import java.util.List;
import keel.app.standing.WearMaps;
import keel.core.placement.Placement;
import keel.core.placement.PlateCells;

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
    static final double MARGIN_MM = 2;

    /** A film or screen. */
    public record Worn(String code, String words, WearMaps.Known known) {}

    /** A place to keep off, and what it is. */
    public record Spot(double xMm, double yMm, double sizeMm, String words, boolean onScreen) {

        Placement.Spot spot() {
            return new Placement.Spot(xMm, yMm, sizeMm);
        }
    }

    public boolean anyWear() {
        return film != null && film.known().placedPrints() > 0
                || screen != null && screen.known().placedPrints() > 0;
    }
}
