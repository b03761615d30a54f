package keel.core.life;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import keel.core.wear.WeibullLife;
import org.apache.commons.statistics.distribution.ChiSquaredDistribution;
import org.hipparchus.analysis.solvers.BrentSolver;

/**
 * A Weibull life fitted to ends and to lives that go on, with its 80 % interval.
 *
 * <p>Maximum likelihood with right-censored lives, intervals from the profile of the likelihood: NIST/SEMATECH
 * e-Handbook 8.4.1.2; Meeker and Escobar, Statistical Methods for Reliability Data, ch. 8. Bayes: a prior on shape and
 * scale, updated on a grid of their logarithms.
 *
 * @param shape of the interval: the middle, {@code shapeLow} to {@code shapeHigh} hold 80 %
 */
public record WeibullFit(
        double shape, double shapeLow, double shapeHigh, double scale, double scaleLow, double scaleHigh) {

    private static final double LEAST_SHAPE = 0.05;
    private static final double MOST_SHAPE = 1000;
    private static final double FALL = ChiSquaredDistribution.of(1).inverseCumulativeProbability(0.8) / 2;
    private static final int GRID = 161;
    private static final double GRID_SPREADS = 4;
    private static final double TAIL = 0.1;

    public WeibullLife life() {
        return new WeibullLife(shape, scale);
    }

    /**
     * What is thought of a kind of part before any has ended: medians, and how widely their logarithms spread. Common
     * practice, no source.
     */
    public record Prior(double shape, double shapeSpread, double scale, double scaleSpread) {

        /**
         * A wide one around a life: so wide in the shape that eight lives outweigh it whatever the true shape is, from
         * chance (1) to clear wear (4).
         */
        public static Prior around(WeibullLife life) {
            return new Prior(life.shape(), 1, life.scale(), 1.2);
        }
    }

    /**
     * By maximum likelihood.
     *
     * @throws IllegalArgumentException where the ends do not tell a shape: none, or none that differ and nothing
     *     outlived them
     */
    public static WeibullFit likeliest(List<Life> lives) {
        Lives l = new Lives(lives);
        if (l.ends == 0) {
            throw new IllegalArgumentException(
                    "None has ended yet: without an end there is nothing to fit. Try BAYES, which starts from what "
                            + "is usual.");
        }
        if (!l.tellShape()) {
            throw new IllegalArgumentException(
                    "The ends do not tell a shape: it takes two at different ages. Try BAYES, which starts from "
                            + "what is usual.");
        }
        double shape = solve(l::slope, LEAST_SHAPE, MOST_SHAPE);
        double scale = l.scaleFor(shape);
        double most = l.logLikelihood(shape, scale);
        DoubleUnaryOperator byShape = b -> l.logLikelihood(b, l.scaleFor(b)) - most + FALL;
        DoubleUnaryOperator byScale = logScale -> l.bestAt(Math.exp(logScale)) - most + FALL;
        return new WeibullFit(
                shape,
                edge(byShape, shape, LEAST_SHAPE),
                edge(byShape, shape, MOST_SHAPE),
                scale,
                Math.exp(edge(byScale, Math.log(scale), Math.log(scale) - 12)),
                Math.exp(edge(byScale, Math.log(scale), Math.log(scale) + 12)));
    }

    /** From what was thought before, and the lives. Medians and the middle 80 % of each. */
    public static WeibullFit bayes(List<Life> lives, Prior prior) {
        Lives l = new Lives(lives);
        double[] logShape = grid(Math.log(prior.shape()), prior.shapeSpread());
        double[] logScale = grid(Math.log(prior.scale()), prior.scaleSpread());
        double[] shapes = new double[GRID];
        double[] scales = new double[GRID];
        double[][] log = new double[GRID][GRID];
        double most = Double.NEGATIVE_INFINITY;
        for (int i = 0; i < GRID; i++) {
            for (int k = 0; k < GRID; k++) {
                log[i][k] = l.logLikelihood(Math.exp(logShape[i]), Math.exp(logScale[k]))
                        - square((logShape[i] - Math.log(prior.shape())) / prior.shapeSpread()) / 2
                        - square((logScale[k] - Math.log(prior.scale())) / prior.scaleSpread()) / 2;
                most = Math.max(most, log[i][k]);
            }
        }
        for (int i = 0; i < GRID; i++) {
            for (int k = 0; k < GRID; k++) {
                double weight = Math.exp(log[i][k] - most);
                shapes[i] += weight;
                scales[k] += weight;
            }
        }
        return new WeibullFit(
                quantile(logShape, shapes, 0.5),
                quantile(logShape, shapes, TAIL),
                quantile(logShape, shapes, 1 - TAIL),
                quantile(logScale, scales, 0.5),
                quantile(logScale, scales, TAIL),
                quantile(logScale, scales, 1 - TAIL));
    }

    /**
     * How well a clock explains lives: the highest likelihood of the logarithms of their ages, which does not hang on
     * the clock's unit. Of two clocks for the same parts the one with more explains them better. Empty where the ends
     * do not tell a shape.
     */
    public static OptionalDouble explanation(List<Life> lives) {
        Lives l = new Lives(lives);
        if (l.ends == 0 || !l.tellShape()) {
            return OptionalDouble.empty();
        }
        double shape = solve(l::slope, LEAST_SHAPE, MOST_SHAPE);
        double logs = lives.stream()
                .filter(Life::ended)
                .mapToDouble(e -> Math.log(e.hours()))
                .sum();
        return OptionalDouble.of(l.logLikelihood(shape, l.scaleFor(shape)) + logs);
    }

    /**
     * Whether such parts die early, wear out, or whether that is not known yet: by where the interval of the shape lies
     * against 1.
     */
    public Way way() {
        return shapeHigh < 1 ? Way.EARLY_DEATH : shapeLow > 1 ? Way.WEAR_OUT : Way.NOT_TOLD;
    }

    /** How parts end. */
    public enum Way {
        EARLY_DEATH("They die young: what has lasted a while lasts on."),
        WEAR_OUT("They wear out: the older, the likelier to end."),
        NOT_TOLD("Whether they wear out or end by chance is not told yet.");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    private static double[] grid(double middle, double spread) {
        double[] grid = new double[GRID];
        for (int i = 0; i < GRID; i++) {
            grid[i] = middle + GRID_SPREADS * spread * (2.0 * i / (GRID - 1) - 1);
        }
        return grid;
    }

    private static double quantile(double[] log, double[] weights, double share) {
        double all = Arrays.stream(weights).sum();
        double below = 0;
        for (int i = 0; i < weights.length; i++) {
            if (below + weights[i] >= share * all) {
                double within = weights[i] == 0 ? 0 : (share * all - below) / weights[i] - 0.5;
                return Math.exp(log[i] + within * (log[1] - log[0]));
            }
            below += weights[i];
        }
        return Math.exp(log[log.length - 1]);
    }

    /**
     * Where a function that is above 0 in the middle falls to 0 on the way to a far edge; the far edge where it never
     * does.
     */
    private static double edge(DoubleUnaryOperator f, double middle, double far) {
        return f.applyAsDouble(far) >= 0 ? far : solve(f, Math.min(middle, far), Math.max(middle, far));
    }

    private static double solve(DoubleUnaryOperator f, double low, double high) {
        return new BrentSolver(1e-10, 1e-12).solve(500, f::applyAsDouble, low, high);
    }

    private static double square(double x) {
        return x * x;
    }

    /** Lives in units of the longest, so that their powers stay within bounds. */
    private static final class Lives {

        private final double unit;
        private final double[] logs;
        private final int ends;
        private final double sumOfLogsOfEnds;

        Lives(List<Life> lives) {
            unit = lives.stream().mapToDouble(Life::hours).max().orElse(1);
            logs = lives.stream().mapToDouble(l -> Math.log(l.hours() / unit)).toArray();
            ends = (int) lives.stream().filter(Life::ended).count();
            sumOfLogsOfEnds = lives.stream()
                    .filter(Life::ended)
                    .mapToDouble(l -> Math.log(l.hours() / unit))
                    .sum();
        }

        /** Whether there is a likeliest shape: the ends differ, or something outlived them. */
        boolean tellShape() {
            return slope(MOST_SHAPE) > 0;
        }

        /**
         * Σ t^β·ln t / Σ t^β − 1/β − mean of ln t over the ends: 0 at the likeliest shape, rising with it.
         */
        double slope(double shape) {
            double powers = 0;
            double weighted = 0;
            for (double log : logs) {
                double power = Math.exp(shape * log);
                powers += power;
                weighted += power * log;
            }
            return weighted / powers - 1 / shape - sumOfLogsOfEnds / ends;
        }

        double scaleFor(double shape) {
            double powers = 0;
            for (double log : logs) {
                powers += Math.exp(shape * log);
            }
            return unit * Math.pow(powers / ends, 1 / shape);
        }

        double logLikelihood(double shape, double scale) {
            double logScale = Math.log(scale / unit);
            double sum = ends * (Math.log(shape) - shape * logScale) + (shape - 1) * sumOfLogsOfEnds;
            for (double log : logs) {
                sum -= Math.exp(shape * (log - logScale));
            }
            return sum - ends * Math.log(unit);
        }

        /** The highest likelihood at a scale, over all shapes, by golden sections of their logarithm. */
        double bestAt(double scale) {
            double golden = (Math.sqrt(5) - 1) / 2;
            double low = Math.log(LEAST_SHAPE);
            double high = Math.log(MOST_SHAPE);
            for (int i = 0; i < 60; i++) {
                double a = high - golden * (high - low);
                double b = low + golden * (high - low);
                if (logLikelihood(Math.exp(a), scale) < logLikelihood(Math.exp(b), scale)) {
                    low = a;
                } else {
                    high = b;
                }
            }
            return logLikelihood(Math.exp((low + high) / 2), scale);
        }
    }
}
