package keel.core.diagnosis;

import java.util.List;
import java.util.Map;

/**
 * What may have made a print fail, and what to do to know better.
 *
 * @param causes every single cause, the one that explains most first
 * @param pairs the listed pairs, the likeliest first
 * @param nextChecks checks not done yet that are worth their time, the best first
 * @param otherChecks checks that could be done all the same, though they are not worth their time, the best first
 * @param alsoLookAt what must be looked at before anything prints, the likeliest first
 * @param enough whether nothing is left that is worth a check or a look
 * @param unexplained share of what was seen that no cause explains; above a half nothing known explains it
 * @param held share of all chance over which joint chances were added up; 1 for all
 * @param advice what to do first, in a sentence
 */
public record Diagnosis(
        List<Suspect> causes,
        List<Pair> pairs,
        List<NextCheck> nextChecks,
        List<NextCheck> otherChecks,
        List<AlsoLookAt> alsoLookAt,
        boolean enough,
        double unexplained,
        double held,
        String advice) {

    /**
     * A cause with the weight of each fact for it (above 0) or against it.
     *
     * @param probability its share in explaining what was seen, consequences counted with what began them; these sum to
     *     1
     * @param present chance that it is true
     * @param share of all that was seen that it explains itself; with {@link #unexplained} these sum to 1
     * @param explains share of each symptom that it explains itself; none that it does not
     */
    public record Suspect(
            String code,
            String name,
            double probability,
            double present,
            double share,
            Map<String, Double> explains,
            List<Weighed> evidence) {}

    /**
     * One piece of evidence.
     *
     * @param fact with its kind: {@code symptom:}, seen or looked for and absent, {@code history:}, {@code check:},
     *     {@code shop:} for what the shop has learned
     * @param words the same to read, which says whether it was seen or absent
     * @param decibans weight of evidence for the cause
     * @param hint how strongly it speaks, and whether for it or against it; empty where it says next to nothing
     */
    public record Weighed(String fact, String words, double decibans, String hint) {

        private static final double STRONG = 10;
        private static final double FAIR = 5;
        private static final double WEAK = 1;

        Weighed(String fact, String words, double decibans) {
            this(fact, words, decibans, hint(decibans));
        }

        private static String hint(double decibans) {
            double much = Math.abs(decibans);
            String how = much >= STRONG ? "strong" : much >= FAIR ? "fair" : much >= WEAK ? "weak" : "";
            return how.isEmpty() ? "" : how + (decibans > 0 ? " for it" : " against it");
        }
    }

    /** Two causes with the chance that both are true. */
    public record Pair(List<String> causes, double probability) {}

    /**
     * A check that could be done.
     *
     * @param bits information that it is expected to bring
     * @param savesPerMinute money that it is expected to save for each of its minutes, what it costs taken off
     */
    public record NextCheck(
            String code, String name, double minutes, double bits, double bitsPerMinute, double savesPerMinute) {}

    /** A harm that somebody must look for before printing. */
    public record AlsoLookAt(String code, String name, double present, String why) {}
}
