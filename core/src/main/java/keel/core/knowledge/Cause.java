package keel.core.knowledge;

import java.util.Map;

/**
 * Something that makes a print fail.
 *
 * @param code code of the open format
 * @param name what it is, in words
 * @param part where it sits
 * @param weight relative weight in the starting odds, &gt; 0
 * @param raisedBy what in a machine's history makes it likelier, in words
 * @param shows symptom code to strength: 3 almost always shows it, 2 often, 1 sometimes
 */
public record Cause(
        String code, String name, CausePart part, double weight, String raisedBy, Map<String, Integer> shows) {

    /** CausePart of the machine, from the top down, or of the work around it. */
    public enum CausePart {
        Z("Z axis"),
        PLATE("Plate"),
        RESIN("Resin"),
        VAT("Vat"),
        FILM("Film"),
        SCREEN("Screen"),
        LIGHT("Light"),
        STANCE("Stance"),
        SETTINGS("Settings"),
        JOB("Job and file"),
        ROOM("Room"),
        AFTER("Washing and curing");

        private final String words;

        CausePart(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** Strength with which this cause shows the symptom, 0 where it does not. */
    public int strength(String symptom) {
        return shows.getOrDefault(symptom, 0);
    }
}
