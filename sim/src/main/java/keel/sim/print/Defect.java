package keel.sim.print;

import java.util.List;

/**
 * One thing that went wrong with a print.
 *
 * @param causes what was truly behind it, the stronger first; more than one where two faults worked together
 * @param faults all that took something from what had to hold, the stronger first
 * @param lost indices of the parts that it ruined
 * @param flawed whether the parts that are not lost are marred by it
 * @param at when it showed, as a share of the layers
 * @param cells where on the plate; empty where it has no place
 * @param signs what there is to see
 * @param bits cured stuff that it left in the vat, 1 for a whole print
 */
record Defect(
        List<String> causes,
        List<String> faults,
        List<Integer> lost,
        boolean flawed,
        double at,
        int[] cells,
        List<Sign> signs,
        double bits) {

    /** One with no other fault than its causes. */
    Defect(
            List<String> causes,
            List<Integer> lost,
            boolean flawed,
            double at,
            int[] cells,
            List<Sign> signs,
            double bits) {
        this(causes, causes, lost, flawed, at, cells, signs, bits);
    }
}
