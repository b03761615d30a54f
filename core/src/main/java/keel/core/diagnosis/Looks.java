package keel.core.diagnosis;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;

/**
 * What a look says of each cause that it looked at, and of no other: how much likelier its answer is where the cause is
 * there. The same look done again mostly copies its first answer.
 */
final class Looks {

    private static final double MISSES_ANEW = 0.15;

    private final Odds odds;
    private final boolean crushed;
    private final Map<String, Double> known;
    private final Set<String> anew;
    private final Map<String, Boolean> answered = new HashMap<>();

    Looks(Odds odds, Evidence evidence, boolean crushed) {
        this.odds = odds;
        this.crushed = crushed;
        List<Odds.Anyway> given = odds.anyway().stream()
                .filter(a -> a.given().stream().anyMatch(evidence::shows))
                .toList();
        this.known = given.stream().collect(Collectors.toMap(Odds.Anyway::cause, Odds.Anyway::finds, Math::max));
        this.anew =
                given.stream().filter(Odds.Anyway::anew).map(Odds.Anyway::cause).collect(Collectors.toSet());
    }

    /** The ratio for each cause, 1 where it was not looked at; remembers the answers for a look that is done again. */
    double[] ratios(Check check, List<String> found, List<Cause> causes) {
        double[] ratios = new double[causes.size()];
        Arrays.fill(ratios, 1);
        for (int i = 0; i < ratios.length; i++) {
            String cause = causes.get(i).code();
            if (found.contains(cause)) {
                ratios[i] = answer(check, cause, true);
            } else if (check.clears().contains(cause)) {
                ratios[i] = answer(check, cause, false);
            }
        }
        return ratios;
    }

    private double answer(Check check, String cause, boolean found) {
        double there = found ? 1 - misses(check, cause) : misses(check, cause);
        double notThere = found ? falsely(cause) : 1 - odds.finds(cause);
        Boolean before = answered.put(check.code() + " " + cause, found);
        return ratio(there, notThere, before != null && before == found ? odds.again() : 0);
    }

    /**
     * How much likelier an answer is where the cause is there.
     *
     * @param copies chance that it only copies the same answer given before
     */
    static double ratio(double there, double notThere, double copies) {
        return (copies + (1 - copies) * there) / (copies + (1 - copies) * notThere);
    }

    /** Chance that a check names a cause that is not there: more, where what it looks for is known to be so. */
    double falsely(String cause) {
        return Math.max(odds.finds(cause), known.getOrDefault(cause, 0.0));
    }

    /** Chance that a check overlooks a cause that is there. */
    double misses(Check check, String cause) {
        return check.misses(cause, crushed) * (anew.contains(cause) ? MISSES_ANEW : 1);
    }
}
