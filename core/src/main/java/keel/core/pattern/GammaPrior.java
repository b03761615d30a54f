package keel.core.pattern;

import java.util.List;
import java.util.Optional;
import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;
import org.hipparchus.special.Gamma;
import org.hipparchus.util.FastMath;

/**
 * What the rates of several groups have in common: a gamma distribution with this shape and rate, by maximum likelihood
 * of the events (negative binomial).
 *
 * <p>Source: D. P. Gaver and I. G. O'Muircheartaigh, Technometrics 29 (1987).
 */
public record GammaPrior(double alpha, double beta) {

    private static final int LEAST_GROUPS = 3;
    private static final double FAR = 14;

    /** Empty with fewer than three groups, without events, and where rates differ no more than chance. */
    static Optional<GammaPrior> of(List<Rates.Counted> groups) {
        double events = groups.stream().mapToDouble(Rates.Counted::events).sum();
        double mean =
                events / groups.stream().mapToDouble(Rates.Counted::exposure).sum();
        double score = groups.stream()
                .mapToDouble(g -> FastMath.pow(g.events() - mean * g.exposure(), 2) - g.events())
                .sum();
        if (groups.size() < LEAST_GROUPS || events == 0 || score <= 0) {
            return Optional.empty();
        }
        double best = optimum(logMean -> -atMean(groups, FastMath.exp(logMean)), FastMath.log(mean));
        double rate = FastMath.exp(best);
        double alpha = shape(groups, rate);
        return Optional.of(new GammaPrior(alpha, alpha / rate));
    }

    /** Best likelihood at that mean rate, over shapes. */
    private static double atMean(List<Rates.Counted> groups, double mean) {
        double alpha = shape(groups, mean);
        return logLikelihood(groups, alpha, alpha / mean);
    }

    private static double shape(List<Rates.Counted> groups, double mean) {
        return FastMath.exp(
                optimum(logAlpha -> -logLikelihood(groups, FastMath.exp(logAlpha), FastMath.exp(logAlpha) / mean), 0));
    }

    private static double optimum(UnivariateFunction cost, double around) {
        return new BrentOptimizer(1e-12, 1e-12)
                .optimize(
                        new MaxEval(2000),
                        GoalType.MINIMIZE,
                        new UnivariateObjectiveFunction(cost),
                        new SearchInterval(around - FAR, around + FAR, around))
                .getPoint();
    }

    private static double logLikelihood(List<Rates.Counted> groups, double alpha, double beta) {
        double sum = 0;
        for (Rates.Counted g : groups) {
            sum += Gamma.logGamma(alpha + g.events())
                    - Gamma.logGamma(alpha)
                    - alpha * FastMath.log1p(g.exposure() / beta)
                    - g.events() * FastMath.log(beta + g.exposure());
        }
        return sum;
    }

    double shrunk(Rates.Counted group) {
        return (alpha + group.events()) / (beta + group.exposure());
    }
}
