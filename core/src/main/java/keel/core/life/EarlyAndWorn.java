package keel.core.life;

import java.util.List;
import java.util.stream.IntStream;
import keel.core.wear.Lifespan;
import keel.core.wear.WeibullLife;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.hipparchus.analysis.MultivariateFunction;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.CholeskyDecomposition;
import org.hipparchus.linear.MatrixUtils;
import org.hipparchus.linear.RealMatrix;
import org.hipparchus.optim.InitialGuess;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.SimpleValueChecker;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.nonlinear.scalar.ObjectiveFunction;
import org.hipparchus.optim.nonlinear.scalar.noderiv.NelderMeadSimplex;
import org.hipparchus.optim.nonlinear.scalar.noderiv.SimplexOptimizer;
import org.hipparchus.random.HaltonSequenceGenerator;

/**
 * The life of parts of which some end early (badly fitted, dented in the pack, blamed though they were sound) and the
 * rest wear out: h(t) = h_early(t) + h_worn(t), both Weibull, the first falling with age, the second rising. Nobody has
 * to say which end was which: the ages tell, where what was written down as the reason often does not.
 *
 * <p>What is not known of the four figures is carried along: survival is the mean over draws from their posterior, so
 * that few ends make wide intervals. The draws come from a normal approximation at the highest posterior (Laplace),
 * weighted by the posterior itself.
 *
 * <p>Source: the additive Weibull life of the bathtub curve, Xie and Lai 1996 (from memory); NIST/SEMATECH e-Handbook
 * 8.1.2.4; Gelman et al., Bayesian Data Analysis, ch. 10 and 13 (importance sampling, from memory). The priors are
 * common practice, no source.
 *
 * @param early of those that end early at the highest posterior, {@code worn} of those that wear out
 * @param draws from the posterior, at least one
 */
public record EarlyAndWorn(WeibullLife early, WeibullLife worn, List<Draw> draws) implements Lifespan {

    private static final double EARLY_SHAPE = 0.6;
    private static final double EARLY_SHAPE_SPREAD = 0.3;
    private static final double EARLY_SCALE = 8;
    private static final double EARLY_SCALE_SPREAD = 2;
    private static final double LEAST_WORN_SHAPE = 1.5;
    private static final double WORN_SHAPE_SPREAD = 0.35;
    private static final double WORN_SCALE = 1.15;
    private static final double WORN_SCALE_SPREAD = 1.3;
    private static final double YOUNG = 0.25;
    private static final int MOST_STEPS = 4000;
    private static final double SIMPLEX = 0.3;
    private static final int DRAWS = 64;
    private static final double STEP = 0.02;
    private static final double FAR = 6;

    /** One of the lives that are thought possible; the weights of all add up to 1. */
    public record Draw(WeibullLife early, WeibullLife worn, double weight) {

        double survival(double age) {
            return early.survival(age) * worn.survival(age);
        }
    }

    /** @param usual of such parts before any record, on the clock of the lives */
    public static EarlyAndWorn fitted(List<Life> lives, WeibullLife usual) {
        double[] middle = {
            Math.log(EARLY_SHAPE),
            Math.log(usual.scale() * EARLY_SCALE),
            Math.log(Math.max(LEAST_WORN_SHAPE, usual.shape())),
            Math.log(usual.scale() * WORN_SCALE)
        };
        double[] spread = {EARLY_SHAPE_SPREAD, EARLY_SCALE_SPREAD, WORN_SHAPE_SPREAD, WORN_SCALE_SPREAD};
        MultivariateFunction posterior = x -> logLikelihood(early(x), worn(x), lives) + logPrior(x, middle, spread);
        double[] highest = new SimplexOptimizer(new SimpleValueChecker(1e-10, 1e-9))
                .optimize(
                        new MaxEval(MOST_STEPS),
                        new ObjectiveFunction(posterior),
                        GoalType.MAXIMIZE,
                        new InitialGuess(middle),
                        new NelderMeadSimplex(middle.length, SIMPLEX))
                .getPoint();
        return new EarlyAndWorn(early(highest), worn(highest), draws(posterior, highest, spread));
    }

    private static WeibullLife early(double[] logs) {
        return new WeibullLife(Math.exp(logs[0]), Math.exp(logs[1]));
    }

    private static WeibullLife worn(double[] logs) {
        return new WeibullLife(Math.exp(logs[2]), Math.exp(logs[3]));
    }

    private static double logPrior(double[] x, double[] middle, double[] spread) {
        double sum = 0;
        for (int i = 0; i < x.length; i++) {
            double z = (x[i] - middle[i]) / spread[i];
            sum -= z * z / 2;
        }
        return sum;
    }

    private static double logLikelihood(WeibullLife early, WeibullLife worn, List<Life> lives) {
        double sum = 0;
        for (Life l : lives) {
            double first = Math.pow(l.hours() / early.scale(), early.shape());
            double second = Math.pow(l.hours() / worn.scale(), worn.shape());
            sum -= first + second;
            sum += l.ended() ? Math.log((early.shape() * first + worn.shape() * second) / l.hours()) : 0;
        }
        return sum;
    }

    /** Points of a Halton sequence, so that the same lives always give the same draws. */
    private static List<Draw> draws(MultivariateFunction posterior, double[] highest, double[] spread) {
        RealMatrix root = root(posterior, highest, spread);
        HaltonSequenceGenerator halton = new HaltonSequenceGenerator(highest.length);
        halton.skipTo(1);
        NormalDistribution normal = NormalDistribution.of(0, 1);
        double most = posterior.value(highest);
        double[][] points = new double[DRAWS][];
        double[] weights = new double[DRAWS];
        double sum = 0;
        for (int i = 0; i < DRAWS; i++) {
            double[] z = halton.nextVector();
            double square = 0;
            for (int k = 0; k < z.length; k++) {
                z[k] = normal.inverseCumulativeProbability(z[k]);
                square += z[k] * z[k];
            }
            points[i] = root.operate(z);
            for (int k = 0; k < z.length; k++) {
                points[i][k] += highest[k];
            }
            weights[i] = Math.exp(Math.min(FAR, posterior.value(points[i]) - most + square / 2));
            sum += weights[i];
        }
        double all = sum;
        return IntStream.range(0, DRAWS)
                .mapToObj(i -> new Draw(early(points[i]), worn(points[i]), weights[i] / all))
                .toList();
    }

    /**
     * A root of the covariance: of the inverse of the posterior's curvature at its highest, never wider than the prior.
     */
    private static RealMatrix root(MultivariateFunction posterior, double[] highest, double[] spread) {
        int n = highest.length;
        RealMatrix curvature = new Array2DRowRealMatrix(n, n);
        for (int i = 0; i < n; i++) {
            for (int k = 0; k <= i; k++) {
                double second = -(moved(posterior, highest, i, STEP, k, STEP)
                                - moved(posterior, highest, i, STEP, k, -STEP)
                                - moved(posterior, highest, i, -STEP, k, STEP)
                                + moved(posterior, highest, i, -STEP, k, -STEP))
                        / (4 * STEP * STEP);
                curvature.setEntry(i, k, second);
                curvature.setEntry(k, i, second);
            }
        }
        try {
            return new CholeskyDecomposition(MatrixUtils.inverse(curvature), 1e-9, 1e-12).getL();
        } catch (RuntimeException e) {
            return MatrixUtils.createRealDiagonalMatrix(spread.clone());
        }
    }

    private static double moved(MultivariateFunction f, double[] at, int i, double by, int k, double and) {
        double[] x = at.clone();
        x[i] += by;
        x[k] += and;
        return f.value(x);
    }

    /** Share that ends early: before a quarter of the age at which parts wear out. */
    public double endEarly() {
        return 1 - early.survival(YOUNG * worn.scale());
    }

    @Override
    public double survival(double age) {
        double sum = 0;
        for (Draw d : draws) {
            sum += d.weight() * d.survival(age);
        }
        return sum;
    }
}
