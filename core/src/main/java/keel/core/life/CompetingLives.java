package keel.core.life;

import java.util.List;
import java.util.stream.IntStream;
import keel.core.wear.WeibullLife;

/**
 * The life of a part that can end in several ways, whichever comes first: the ways are independent, each with a life of its own, R(t) = Π R_k(t). Fitted way by way, where an end by
 * another way counts as a life that might have gone on.
 *
 * <p>Source: competing risks, Meeker and Escobar, Statistical Methods for Reliability Data, ch. 15; NIST/SEMATECH e-Handbook 8.1.7.2 (competing risk model).
 *
 * @param ways one life each, at least one
 */
public record CompetingLives(List<WeibullLife> ways) {

    private static final int STEPS = 2000;
    private static final double NEARLY_NONE = 1e-5;
    private static final double LEAST_SAVING = 0.001;

    /** @throws IllegalArgumentException without any way */
    public CompetingLives {
        if (ways.isEmpty()) {
            throw new IllegalArgumentException("A life ends in at least one way.");
        }
        ways = List.copyOf(ways);
    }

    /**
     * From lives and the way in which each ended.
     *
     * @param way   number of the way that ended each of the lives, below {@code count}; what it is for one that did not end does not matter
     * @param usual of the part as a whole, from which each way's prior is made so that together they give it
     */
    public static CompetingLives fitted(List<Life> lives, List<Integer> way, int count, WeibullLife usual) {
        WeibullLife each = new WeibullLife(usual.shape(), usual.scale() * Math.pow(count, 1 / usual.shape()));
        return new CompetingLives(IntStream.range(0, count).mapToObj(k -> WeibullFit.bayes(IntStream.range(0, lives.size())
                .mapToObj(i -> new Life(lives.get(i).hours(), lives.get(i).ended() && way.get(i) == k)).toList(), WeibullFit.Prior.around(each)).life()).toList());
    }

    public double survival(double age) {
        return ways.stream().mapToDouble(w -> w.survival(age)).reduce(1, (a, b) -> a * b);
    }

    /** Chance that one alive at an age ends within the next {@code more}. */
    public double failsWithin(double age, double more) {
        return 1 - ways.stream().mapToDouble(w -> 1 - w.failsWithin(age, more)).reduce(1, (a, b) -> a * b);
    }

    /** Age by which a share of those alive at {@code age} have ended. */
    public double ageWhenFailed(double age, double share) {
        double low = age;
        double high = Math.max(1, age) * 2;
        while (failsWithin(age, high - age) < share) {
            high *= 2;
        }
        for (int i = 0; i < 100; i++) {
            double middle = (low + high) / 2;
            if (failsWithin(age, middle - age) < share) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return (low + high) / 2;
    }

    /**
     * When to change such a part before it ends, as {@link AgeReplacement}, by the trapezoidal rule.
     *
     * @throws IllegalArgumentException if a cost is not more than 0
     */
    public AgeReplacement replacement(double plannedCost, double failureCost) {
        if (!(plannedCost > 0) || !(failureCost > 0)) {
            throw new IllegalArgumentException("Costs must be more than 0.");
        }
        double end = ageWhenFailed(0, 1 - NEARLY_NONE);
        double step = end / STEPS;
        double served = 0;
        double best = Double.POSITIVE_INFINITY;
        double bestAge = 0;
        double before = 1;
        for (int i = 1; i <= STEPS; i++) {
            double alive = survival(i * step);
            served += (before + alive) / 2 * step;
            before = alive;
            double cost = (plannedCost * alive + failureCost * (1 - alive)) / served;
            if (cost < best) {
                best = cost;
                bestAge = i * step;
            }
        }
        double toFailure = failureCost / served;
        boolean pays = failureCost > plannedCost && best < toFailure * (1 - LEAST_SAVING);
        return new AgeReplacement(pays ? Double.valueOf(bestAge) : null, pays ? best : toFailure, toFailure, pays ? AgeReplacement.Advice.CHANGE_AT_AGE
                : failureCost <= plannedCost ? AgeReplacement.Advice.NOT_DEARER : AgeReplacement.Advice.SAVES_NOTHING);
    }
}
