package keel.core.failure;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Knowledge;

/**
 * Orders the causes by how well they fit what was seen: Bayes' rule over single causes, symptoms taken as independent
 * given the cause. It knows nothing of the machine's history nor of checks.
 *
 * <p>The probabilities for the strengths and the leak are common practice, no published source.
 */
public final class CauseFit {

    private static final Map<Integer, Double> SHOWS = Map.of(3, 0.85, 2, 0.5, 1, 0.2, 0, 0.02);

    private final Knowledge knowledge;

    /**
     * How well one cause fits.
     *
     * @param share     share of all single causes, 0 to 1; shares sum to 1
     * @param speaksFor names of the present symptoms that this cause shows
     */
    public record Fit(Cause cause, double share, List<String> speaksFor) {}

    public CauseFit(Knowledge knowledge) {
        this.knowledge = knowledge;
    }

    /**
     * @param present codes of symptoms that were seen
     * @param absent  codes of symptoms that were looked for and not seen
     * @return every cause, best fit first
     */
    public List<Fit> order(Set<String> present, Set<String> absent) {
        double total = knowledge.causes().stream().mapToDouble(c -> likelihood(c, present, absent)).sum();
        return knowledge.causes().stream()
                .map(c -> new Fit(c, likelihood(c, present, absent) / total, speaksFor(c, present)))
                .sorted(Comparator.comparingDouble(Fit::share).reversed())
                .toList();
    }

    private static double likelihood(Cause cause, Set<String> present, Set<String> absent) {
        double likelihood = cause.weight();
        for (String symptom : present) {
            likelihood *= SHOWS.get(cause.strength(symptom));
        }
        for (String symptom : absent) {
            likelihood *= 1 - SHOWS.get(cause.strength(symptom));
        }
        return likelihood;
    }

    private List<String> speaksFor(Cause cause, Set<String> present) {
        return knowledge.symptoms().stream().filter(s -> present.contains(s.code()) && cause.strength(s.code()) > 0)
                .map(s -> s.name()).toList();
    }
}
