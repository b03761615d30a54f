package keel.core.diagnosis;

import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.core.knowledge.Check;

/**
 * How often a check names a cause that is not at fault. Seldom, but where the evidence shows the same thing already
 * (the setting is known to have been moved, parts are known to lie in the vat, another check has said so before) the
 * check only says it once more. Where it looks at the very same thing anew and does not find it, it is the surer for
 * it.
 */
final class FalseFinds {

    private static final double MISSES_ANEW = 0.15;

    private final Odds odds;
    private final Map<String, Double> known;
    private final Set<String> anew;
    private final Set<String> foundBefore;

    private FalseFinds(Odds odds, Map<String, Double> known, Set<String> anew, Set<String> foundBefore) {
        this.odds = odds;
        this.known = known;
        this.anew = anew;
        this.foundBefore = foundBefore;
    }

    /** Before any check was done. */
    static FalseFinds before(Odds odds, Evidence evidence) {
        List<Odds.Anyway> given = odds.anyway().stream()
                .filter(a -> a.given().stream().anyMatch(evidence::shows))
                .toList();
        return new FalseFinds(
                odds,
                given.stream().collect(Collectors.toMap(Odds.Anyway::cause, Odds.Anyway::finds, Math::max)),
                given.stream().filter(Odds.Anyway::anew).map(Odds.Anyway::cause).collect(Collectors.toSet()),
                Set.of());
    }

    /** After a check that named these. */
    FalseFinds after(Collection<String> found) {
        Set<String> all = new HashSet<>(foundBefore);
        all.addAll(found);
        return new FalseFinds(odds, known, anew, all);
    }

    double of(String cause) {
        double usual = Math.max(odds.finds(cause), known.getOrDefault(cause, 0.0));
        return foundBefore.contains(cause) ? Math.max(usual, odds.again()) : usual;
    }

    /** Chance that a check overlooks a cause that is there. */
    double misses(Check check, String cause, boolean crushed) {
        return check.misses(cause, crushed) * (anew.contains(cause) ? MISSES_ANEW : 1);
    }
}
