package keel.core.diagnosis;

import java.util.List;
import java.util.Set;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Check;
import keel.core.knowledge.Symptom;

/**
 * How likely each piece of evidence is if these causes are true. Several causes show a symptom independently (noisy
 * or), and it may be reported without any of them (leak).
 */
final class Likelihoods {

    private static final double MACHINE_SHOWS_ON_PIECE = 0.6;
    private static final double JOB_BLAMES_MACHINE = 0.06;
    private static final double PLACE_IS_LEFT = 0.75;
    private static final double PLACE_BY_CHANCE = 0.25;

    private final Odds odds;

    Likelihoods(Odds odds) {
        this.odds = odds;
    }

    /** Chance that a symptom is there, beside the others that were seen. */
    double symptom(String symptom, List<Cause> causes, Set<String> seen) {
        double without = 1 - odds.leak(symptom, seen);
        for (Cause cause : causes) {
            without *= 1 - odds.shows()[cause.strength(symptom)];
        }
        return 1 - without;
    }

    /** A symptom that nobody mentioned, by somebody who mentioned others. */
    double unmentioned(Symptom symptom, List<Cause> causes, Set<String> seen) {
        boolean ofThePrint = symptom.look() == Symptom.Place.PLATE || symptom.look() == Symptom.Place.PART;
        return ofThePrint && odds.hidden(seen) ? 1 : 1 - odds.mentions() * symptom(symptom.code(), causes, seen);
    }

    /** @param falseFinds how often this check would name what is not at fault */
    double check(Check check, List<String> found, List<Cause> causes, boolean crushed, FalseFinds falseFinds) {
        if (check.answers() == Check.Answer.SIDE) {
            return found.isEmpty() ? 1 : side(check, found.get(0), causes);
        }
        double likelihood = 1;
        for (String cause : check.separates()) {
            likelihood *= found.contains(cause)
                    ? findsIt(check, cause, causes, crushed, falseFinds)
                    : passesIt(check, cause, causes, crushed, falseFinds);
        }
        for (String beyond : found) {
            likelihood *= check.separates().contains(beyond) ? 1 : findsIt(check, beyond, causes, crushed, falseFinds);
        }
        return likelihood;
    }

    /** Chance that a check names a cause: seldom missed where it is there, sometimes named where it is not. */
    private double findsIt(Check check, String cause, List<Cause> causes, boolean crushed, FalseFinds falseFinds) {
        return there(cause, causes) ? 1 - falseFinds.misses(check, cause, crushed) : falseFinds.of(cause);
    }

    /**
     * Chance that it does not name it. What was thought to be known then was wrong, and is not held against the others.
     */
    private double passesIt(Check check, String cause, List<Cause> causes, boolean crushed, FalseFinds falseFinds) {
        return there(cause, causes) ? falseFinds.misses(check, cause, crushed) : 1 - odds.finds(cause);
    }

    private static boolean there(String cause, List<Cause> causes) {
        return causes.stream().anyMatch(c -> c.code().equals(cause));
    }

    /** Chance of MACHINE as the answer of a check that only tells sides. */
    double saysMachine(Check check, Cause cause) {
        return side(check, "MACHINE", List.of(cause));
    }

    /** MACHINE or JOB, of a piece that is known to come out, or of the same job elsewhere on the plate. */
    private double side(Check check, String answer, List<Cause> causes) {
        boolean placed = causes.stream().anyMatch(c -> odds.placed().contains(c.code()));
        boolean machine = causes.stream().anyMatch(c -> !odds.job().contains(c.code()));
        double saysMachine = check.code().equals("move-job")
                ? placed ? PLACE_IS_LEFT : PLACE_BY_CHANCE
                : machine ? MACHINE_SHOWS_ON_PIECE : JOB_BLAMES_MACHINE;
        return answer.equals("MACHINE") ? saysMachine : 1 - saysMachine;
    }

    double history(Set<String> facts, List<Cause> causes) {
        double ratio = 1;
        for (String fact : facts) {
            ratio *= history(fact, causes);
        }
        return ratio;
    }

    /** The strongest rise among the causes. */
    double history(String fact, List<Cause> causes) {
        return odds.fact(fact)
                .map(f -> causes.stream()
                        .mapToDouble(c -> f.ratio(c.code()))
                        .max()
                        .orElse(1))
                .orElse(1.0);
    }
}
