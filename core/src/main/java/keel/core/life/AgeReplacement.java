package keel.core.life;

import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.special.Gamma;

/**
 * When to change a part that is still alive: the age T that makes the cost an hour least, C(T) = (Cp·R(T) + Cf·(1 −
 * R(T))) / ∫₀ᵀ R.
 *
 * <p>Source: Barlow and Hunter 1960, age replacement. It pays only where parts wear out (shape above 1) and an end in
 * service costs more than a planned change.
 *
 * @param replaceAtHours null where nothing beats running until it shows signs
 * @param costPerHour of the better policy
 * @param runToFailurePerHour of running until it ends
 */
public record AgeReplacement(Double replaceAtHours, double costPerHour, double runToFailurePerHour, Advice advice) {

    /** What to do, and why. */
    public enum Advice {
        CHANGE_AT_AGE("Change it at that age."),
        NO_WEAR_OUT("Run it until it shows signs: such parts do not fail more often as they age, so an early change "
                + "only throws life away."),
        NOT_DEARER("Run it until it shows signs: an end in service costs no more than a planned change."),
        SAVES_NOTHING("Run it until it shows signs: the best age lies so far out that an early change saves next to "
                + "nothing.");

        private final String words;

        Advice(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static final double LEAST_SAVING = 0.001;
    private static final double FAR_HAZARD = 600;
    private static final int STEPS = 2000;
    private static final double NEARLY_NONE = 1e-5;

    /**
     * Exact for a Weibull life; for any other the cost at each of two thousand ages, by the trapezoidal rule.
     *
     * @param plannedCost of a planned change, &gt; 0
     * @param failureCost of an end in service, &gt; 0
     * @throws IllegalArgumentException if a cost is not more than 0 and finite
     */
    public static AgeReplacement of(Lifespan life, double plannedCost, double failureCost) {
        if (!(plannedCost > 0)
                || !(failureCost > 0)
                || Double.isInfinite(plannedCost)
                || Double.isInfinite(failureCost)) {
            throw new IllegalArgumentException("Costs must be more than 0.");
        }
        return life instanceof WeibullLife weibull
                ? exact(weibull, plannedCost, failureCost)
                : cheapest(CostCurve.of(life, plannedCost, failureCost), plannedCost, failureCost);
    }

    private static AgeReplacement cheapest(CostCurve curve, double plannedCost, double failureCost) {
        int best = 1;
        for (int i = 2; i < curve.ages().length; i++) {
            best = curve.costs()[i] < curve.costs()[best] ? i : best;
        }
        double toFailure = curve.costs()[curve.costs().length - 1];
        boolean pays = failureCost > plannedCost && curve.costs()[best] < toFailure * (1 - LEAST_SAVING);
        return new AgeReplacement(
                pays ? Double.valueOf(curve.ages()[best]) : null,
                pays ? curve.costs()[best] : toFailure,
                toFailure,
                pays ? Advice.CHANGE_AT_AGE : failureCost <= plannedCost ? Advice.NOT_DEARER : Advice.SAVES_NOTHING);
    }

    /**
     * What an hour costs by the age of change.
     *
     * @param ages from 0 to where hardly any is left, evenly
     * @param costs at each of them; the first, at age 0, is infinite
     */
    public record CostCurve(double[] ages, double[] costs) {

        public static CostCurve of(Lifespan life, double plannedCost, double failureCost) {
            double step = life.ageWhenFailed(0, 1 - NEARLY_NONE) / STEPS;
            double[] ages = new double[STEPS + 1];
            double[] costs = new double[STEPS + 1];
            costs[0] = Double.POSITIVE_INFINITY;
            double served = 0;
            double before = 1;
            for (int i = 1; i <= STEPS; i++) {
                ages[i] = i * step;
                double alive = life.survival(ages[i]);
                served += (before + alive) / 2 * step;
                before = alive;
                costs[i] = (plannedCost * alive + failureCost * (1 - alive)) / served;
            }
            return new CostCurve(ages, costs);
        }

        /** At an age, between those that were computed. */
        public double at(double age) {
            double place = Math.max(0, Math.min(ages.length - 1, age / ages[1]));
            int i = Math.min(ages.length - 2, (int) place);
            return i == 0 ? costs[1] : costs[i] + (place - i) * (costs[i + 1] - costs[i]);
        }
    }

    private static AgeReplacement exact(WeibullLife life, double plannedCost, double failureCost) {
        double toFailure = failureCost / mean(life);
        if (failureCost <= plannedCost) {
            return new AgeReplacement(null, toFailure, toFailure, Advice.NOT_DEARER);
        }
        if (life.shape() <= 1) {
            return new AgeReplacement(null, toFailure, toFailure, Advice.NO_WEAR_OUT);
        }
        double wanted = plannedCost / (failureCost - plannedCost);
        double far = life.scale() * Math.pow(FAR_HAZARD, 1 / life.shape());
        double near = life.scale() * 1e-6;
        if (balance(life, far) <= wanted) {
            return new AgeReplacement(null, toFailure, toFailure, Advice.SAVES_NOTHING);
        }
        double at = balance(life, near) >= wanted
                ? near
                : new BrentSolver(1e-12, 1e-9).solve(500, t -> balance(life, t) - wanted, near, far);
        double cost = costPerHour(life, plannedCost, failureCost, at);
        return cost > toFailure * (1 - LEAST_SAVING)
                ? new AgeReplacement(null, toFailure, toFailure, Advice.SAVES_NOTHING)
                : new AgeReplacement(at, cost, toFailure, Advice.CHANGE_AT_AGE);
    }

    /** Cost an hour when parts are changed at an age, or as they end before it. */
    public static double costPerHour(WeibullLife life, double plannedCost, double failureCost, double at) {
        double alive = life.survival(at);
        return (plannedCost * alive + failureCost * (1 - alive)) / meanUpTo(life, at);
    }

    /** h(T)·∫₀ᵀR − F(T), which rises with T and equals Cp/(Cf − Cp) at the best age. */
    private static double balance(WeibullLife life, double t) {
        double hazard = life.shape() / life.scale() * Math.pow(t / life.scale(), life.shape() - 1);
        return hazard * meanUpTo(life, t) - (1 - life.survival(t));
    }

    /**
     * Hours that a part serves when it is changed at an age at the latest: ∫₀ᵀ R, by the incomplete gamma
     * function.
     */
    static double meanUpTo(WeibullLife life, double t) {
        double a = 1 / life.shape();
        return life.scale() * Gamma.gamma(1 + a) * Gamma.regularizedGammaP(a, Math.pow(t / life.scale(), life.shape()));
    }

    /** Mean life, η·Γ(1 + 1/β). */
    public static double mean(WeibullLife life) {
        return life.scale() * Gamma.gamma(1 + 1 / life.shape());
    }
}
