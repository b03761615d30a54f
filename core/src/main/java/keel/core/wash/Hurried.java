package keel.core.wash;

import java.util.LinkedHashSet;
import java.util.Set;

/**
 * What was hurried in finishing a print, as facts of its history for the diagnosis. Times are common practice, no
 * source.
 */
public final class Hurried {

    public static final double WASH_SECONDS = 180;
    public static final double DRY_HOURS = 2;

    private Hurried() {}

    /**
     * @param washSeconds in all baths together, null if nobody timed it
     * @param dryHours until the cure began, null if it is not cured or nobody knows
     */
    public static Set<String> facts(Double washSeconds, Double dryHours) {
        Set<String> facts = new LinkedHashSet<>();
        if (washSeconds != null && washSeconds < WASH_SECONDS) {
            facts.add("wash-under-3-min");
        }
        if (dryHours != null && dryHours < DRY_HOURS) {
            facts.add("dried-under-2-h");
        }
        return facts;
    }
}
