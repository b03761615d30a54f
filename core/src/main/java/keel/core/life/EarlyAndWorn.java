package keel.core.life;

import java.util.List;
import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;
import org.hipparchus.analysis.MultivariateFunction;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.SimpleValueChecker;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.NelderMeadSimplex;
import org.hipparchus.optim.nonlinear.scalar.noderiv.SimplexOptimizer;

/**
 * The life of parts of which some end early (badly fitted, dented in the pack, blamed though they were sound) and the rest wear out: h(t) = h_early(t) + h_worn(t), both Weibull, the
 * first falling with age, the second rising. Nobody has to say which end was which: the ages tell, where what was written down as the reason often does not.
 *
 * <p>Source: the additive Weibull life of the bathtub curve, Xie and Lai 1996 (from memory); NIST/SEMATECH e-Handbook 8.1.2.4. Fitted by the highest posterior, with priors that are
 * common practice, no source.
 *
 * @param early of those that end early, {@code worn} of those that wear out
 */
public record EarlyAndWorn(WeibullLife early, WeibullLife worn) implements Lifespan {

    private static final double EARLY_SHAPE = 0.6;
    private static final double EARLY_SHAPE_SPREAD = 0.3;
    private static final double EARLY_SCALE = 8;
    private static final double EARLY_SCALE_SPREAD = 1.5;
    private static final double LEAST_WORN_SHAPE = 1.5;
    private static final double WORN_SHAPE_SPREAD = 0.35;
    private static final double WORN_SCALE = 1.15;
    private static final double WORN_SCALE_SPREAD = 0.8;
    private static final double YOUNG = 0.25;
    private static final int MOST_STEPS = 4000;
    private static final double SIMPLEX = 0.3;

    /** @param usual of such parts before any record, on the clock of the lives */
    public static EarlyAndWorn fitted(List<Life> lives, WeibullLife usual) {
        double[] middle = {Math.log(EARLY_SHAPE), Math.log(usual.scale() * EARLY_SCALE), Math.log(Math.max(LEAST_WORN_SHAPE, usual.shape())), Math.log(usual.scale() * WORN_SCALE)};
        double[] spread = {EARLY_SHAPE_SPREAD, EARLY_SCALE_SPREAD, WORN_SHAPE_SPREAD, WORN_SCALE_SPREAD};
        MultivariateFunction posterior = x -> of(x).logLikelihood(lives) + logPrior(x, middle, spread);
        return of(new SimplexOptimizer(new SimpleValueChecker(1e-10, 1e-9)).optimize(new MaxEval(MOST_STEPS), new ObjectiveFunction(posterior), GoalType.MAXIMIZE,
                new InitialGuess(middle), new NelderMeadSimplex(middle.length, SIMPLEX)).getPoint());
    }

    private static EarlyAndWorn of(double[] logs) {
        return new EarlyAndWorn(new WeibullLife(Math.exp(logs[0]), Math.exp(logs[1])), new WeibullLife(Math.exp(logs[2]), Math.exp(logs[3])));
    }

    private static double logPrior(double[] x, double[] middle, double[] spread) {
        double sum = 0;
        for (int i = 0; i < x.length; i++) {
            double z = (x[i] - middle[i]) / spread[i];
            sum -= z * z / 2;
        }
        return sum;
    }

    private double logLikelihood(List<Life> lives) {
        double sum = 0;
        for (Life l : lives) {
            double first = Math.pow(l.hours() / early.scale(), early.shape());
            double second = Math.pow(l.hours() / worn.scale(), worn.shape());
            sum -= first + second;
            sum += l.ended() ? Math.log((early.shape() * first + worn.shape() * second) / l.hours()) : 0;
        }
        return sum;
    }

    private CompetingLives both() {
        return new CompetingLives(List.of(early, worn));
    }

    /** Share that ends early: before a quarter of the age at which parts wear out. */
    public double endEarly() {
        return 1 - early.survival(YOUNG * worn.scale());
    }

    @Override
    public double survival(double age) {
        return early.survival(age) * worn.survival(age);
    }

    @Override
    public double failsWithin(double age, double more) {
        return both().failsWithin(age, more);
    }

    @Override
    public double ageWhenFailed(double age, double share) {
        return both().ageWhenFailed(age, share);
    }
}
