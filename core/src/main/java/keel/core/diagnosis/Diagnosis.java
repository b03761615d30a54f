package keel.core.diagnosis;

import java.util.List;

/**
 * What may have made a print fail, and what to do to know better.
 *
 * @param causes every single cause, the likeliest first; probabilities sum to 1
 * @param pairs the listed pairs, the likeliest first, each with its share when pairs compete with single causes
 * @param nextChecks checks not done yet, the best first
 * @param enough whether acting is better than another check
 * @param advice what to do first, in a sentence
 */
public record Diagnosis(
        List<Suspect> causes, List<Pair> pairs, List<NextCheck> nextChecks, boolean enough, String advice) {

    /** A cause with the weight of each fact for it (above 0) or against it. */
    public record Suspect(String code, String name, double probability, List<Weighed> evidence) {}

    /**
     * One piece of evidence.
     *
     * @param fact with its kind: {@code symptom:}, seen or looked for and absent, {@code history:}, {@code check:},
     *     {@code shop:} for what the shop has learned
     * @param words the same to read, which says whether it was seen or absent
     * @param decibans weight of evidence for the cause
     */
    public record Weighed(String fact, String words, double decibans) {}

    public record Pair(List<String> causes, double probability) {}

    /** A check that could be done, with the information that it is expected to bring. */
    public record NextCheck(String code, String name, double minutes, double bits, double bitsPerMinute) {}
}
