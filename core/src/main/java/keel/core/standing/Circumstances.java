package keel.core.standing;

import java.util.List;

/**
 * All that the state of a machine follows from.
 *
 * @param off whether it is out of service
 * @param running whether a run is open
 * @param holds the open holds
 * @param parts parts with a life that are fitted
 * @param lubricated since the Z axis was lubricated
 * @param abraded since the plate was abraded or replaced
 * @param hoursPerDay forecast of use, print hours a day
 * @param uvShare UV hours in a print hour
 * @param openCauses names of presumed causes that no later good run has confirmed
 * @param openQuirks what is odd about it and not mended
 * @param stopGap a hole in its film that is only cured shut, null if none
 */
public record Circumstances(
        boolean off,
        boolean running,
        List<Hold> holds,
        List<PartUse> parts,
        Upkept lubricated,
        Upkept abraded,
        double hoursPerDay,
        double uvShare,
        List<String> openCauses,
        List<String> openQuirks,
        StopGap stopGap) {

    /**
     * Since something was last done.
     *
     * @param hours print hours since then; where nobody knows when, those since the machine came, at least so many
     */
    public record Upkept(double hours, boolean known) {}
}
