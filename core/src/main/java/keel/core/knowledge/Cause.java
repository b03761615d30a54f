package keel.core.knowledge;

import java.util.Map;

/**
 * Something that makes a print fail.
 *
 * @param code     code of the open format
 * @param name     what it is, in words
 * @param weight   relative weight in the starting odds, &gt; 0
 * @param raisedBy what in a machine's history makes it likelier, in words
 * @param shows    symptom code to strength: 3 almost always shows it, 2 often, 1 sometimes
 */
public record Cause(String code, String name, double weight, String raisedBy, Map<String, Integer> shows) {

    /** Strength with which this cause shows the symptom, 0 where it does not. */
    public int strength(String symptom) {
        return shows.getOrDefault(symptom, 0);
    }
}
