package keel.core.wear;

import org.hipparchus.analysis.UnivariateFunction;
import org.hipparchus.analysis.solvers.BracketingNthOrderBrentSolver;

/** Finds the age at which a falling curve crosses zero; Brent's method in a bracket, to the last digits of a double. */
final class AgeSolver {

    private static final double RELATIVE = 1e-14;
    private static final double ABSOLUTE = 1e-12;
    private static final double OF_CURVE = 1e-17;
    private static final int ORDER = 5;
    private static final int MOST_STEPS = 400;

    private AgeSolver() {}

    /** @param falling not below zero at {@code low}, not above it at {@code high} */
    static double between(double low, double high, UnivariateFunction falling) {
        if (!(falling.value(low) > 0)) {
            return low;
        }
        return new BracketingNthOrderBrentSolver(RELATIVE, ABSOLUTE, OF_CURVE, ORDER)
                .solve(MOST_STEPS, falling, low, high);
    }
}
