package keel.core.condition;

import org.hipparchus.optim.MaxEval;
import org.hipparchus.optim.nonlinear.scalar.GoalType;
import org.hipparchus.optim.univariate.BrentOptimizer;
import org.hipparchus.optim.univariate.SearchInterval;
import org.hipparchus.optim.univariate.UnivariateObjectiveFunction;
import org.hipparchus.util.FastMath;

/**
 * When to look at a part again: defects begin now and then and end it some time later; a look in between finds them
 * while they are cheap to mend (delay time).
 *
 * <p>Source: A. H. Christer and W. M. Waller, Journal of the Operational Research Society 35 (1984).
 *
 * @param defects rate at which defects begin, an hour
 * @param delay rate at which a defect ends the part, an hour
 * @param look cost of a look
 * @param mend cost of mending what a look found
 * @param end cost of an end that no look found
 * @param finds chance that a look finds a defect that is there
 */
public record LookInterval(double defects, double delay, double look, double mend, double end, double finds) {

    private static final double MOST_DELAYS = 50;
    private static final double LEAST_DELAYS = 1e-3;

    /** Share of defects that are found in time where somebody looks every so many hours. */
    public double foundInTime(double everyHours) {
        double x = delay * everyHours;
        double a = (1 - FastMath.exp(-x)) / x;
        return finds * a / (1 - (1 - finds) * FastMath.exp(-x));
    }

    /** Cost an hour. */
    public double cost(double everyHours) {
        double found = foundInTime(everyHours);
        return look / everyHours + defects * (mend * found + end * (1 - found));
    }

    /** Cost an hour of whoever never looks. */
    public double withoutLooks() {
        return defects * end;
    }

    /** The hours between two looks that cost least; infinite where looks do not pay. */
    public double hours() {
        double best = new BrentOptimizer(1e-9, 1e-9)
                .optimize(
                        new MaxEval(500),
                        GoalType.MINIMIZE,
                        new UnivariateObjectiveFunction(logHours -> cost(FastMath.exp(logHours))),
                        new SearchInterval(FastMath.log(LEAST_DELAYS / delay), FastMath.log(MOST_DELAYS / delay)))
                .getPoint();
        double hours = FastMath.exp(best);
        return cost(hours) < withoutLooks() ? hours : Double.POSITIVE_INFINITY;
    }
}
