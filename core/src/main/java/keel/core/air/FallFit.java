package keel.core.air;

import java.util.Arrays;
import java.util.Optional;
import org.apache.commons.statistics.distribution.FDistribution;
import org.hipparchus.analysis.solvers.BrentSolver;

/**
 * Least squares of C(t) = B + A·e^(−kt), with a second, faster term where a sensor that follows late has rounded the
 * top off (D·e^(−mt), m above k, D below 0). The rate k is looked for on a grid of its logarithm and the rest solved
 * as a linear problem: variable projection, Golub and Pereyra 1973, from memory.
 *
 * <p>The rate's interval is that of the profile, where the sum of squares has grown by what chance explains (Seber and
 * Wild, Nonlinear Regression, ch. 5, from memory), widened for neighbours that hang together and for noise that grows
 * with the reading. Wild readings do not count: residuals beyond four robust standard deviations, a few at the most.
 */
final class FallFit {

    /** Rate a minute with its 95 % interval, and the share of the scatter that the curve explains. */
    record Rate(double perMinute, double low, double high, double r2) {}

    private static final double SLOWEST = 0.02;
    private static final double FASTEST = 200;
    private static final int GRID = 100;
    private static final double[] LATE = {1.1, 1.6, 2.4, 3.6, 5.4, 8.1, 12, 18, 27};
    private static final double LATE_STEP = 1.5;
    private static final double LATE_FINE = 0.01;
    private static final int ROUNDS = 8;
    private static final int NEAR = 10;
    private static final int LEAST_WILD = 3;
    private static final double MOST_WILD = 0.05;
    private static final double HARDLY = 0.1;
    private static final double WILD = 4;
    private static final double SOFT = 1.3;
    private static final double NORMAL = 1.4826;
    private static final double EXACT = 1e-18;
    private static final double CERTAIN = 0.99;
    private static final double CONFIDENCE = 0.95;
    private static final double FINE = 1e-9;
    private static final double MOST_ALIKE = 0.9;
    private static final double TRACE = 1e-13;

    private final double[] t;
    private final double[] y;
    private final Double background;
    private final boolean lateForSure;
    private final double span;
    private final double exact;
    private final double[] weight;
    private boolean late;

    /**
     * @param minutes rising, at least two different; {@code background} null where it is not known
     * @param late whether the sensor is known to follow late; else it is looked for
     */
    FallFit(double[] minutes, double[] values, Double background, boolean late) {
        this.lateForSure = late;
        t = Arrays.stream(minutes).map(m -> m - minutes[0]).toArray();
        y = background == null
                ? values
                : Arrays.stream(values).map(v -> v - background).toArray();
        this.background = background;
        span = t[t.length - 1];
        double range = Arrays.stream(y).max().orElse(0) - Arrays.stream(y).min().orElse(0);
        exact = EXACT * range * range * t.length;
        weight = new double[t.length];
        Arrays.fill(weight, 1);
    }

    /** Empty where the readings do not tell: not falling, in a straight line, or too short to see the curve. */
    Optional<Rate> rate() {
        double k = slowSensor(withoutWildOnes(best()));
        double least = squares(k);
        double straight = straightLine();
        int free = counted() - unknowns();
        boolean told = free >= 1
                && solved(k)[0] > 0
                && falling(k) >= Decay.LEAST
                && straight > (background == null ? limit(least, CERTAIN, 1, free) : least);
        if (!told) {
            return Optional.empty();
        }
        double most = least + (limit(least, CONFIDENCE, 1, free) - least) * widened(k, least, free);
        double low = edge(k, SLOWEST / span, most);
        double high = edge(k, FASTEST / span, most);
        return low <= SLOWEST / span * (1 + FINE)
                ? Optional.empty()
                : Optional.of(new Rate(k, low, high, 1 - least / Math.max(Double.MIN_NORMAL, scatter())));
    }

    /** Readings at which a good part of the fall is still to come. */
    private int falling(double k) {
        int falling = 0;
        for (int i = 0; i < t.length; i++) {
            falling += weight[i] > 0 && Math.exp(-k * t[i]) > HARDLY ? 1 : 0;
        }
        return falling;
    }

    private int unknowns() {
        return 2 + (background == null ? 1 : 0) + (late ? 2 : 0);
    }

    private double limit(double least, double confidence, int more, int free) {
        return (Math.max(least, exact))
                * (1 + more * FDistribution.of(more, free).inverseCumulativeProbability(confidence) / free);
    }

    private double best() {
        double best = SLOWEST / span;
        double least = Double.POSITIVE_INFINITY;
        for (int i = 0; i <= GRID; i++) {
            double k = onGrid(i);
            double squares = squares(k);
            if (squares < least) {
                least = squares;
                best = k;
            }
        }
        double step = Math.pow(FASTEST / SLOWEST, 1.0 / GRID);
        return Sections.lowest(this::squares, best / step, best * step, FINE);
    }

    private double onGrid(int i) {
        return SLOWEST / span * Math.pow(FASTEST / SLOWEST, (double) i / GRID);
    }

    /** Softly first, so that several cannot hide one another; then the few that stay wild are left out. */
    private double withoutWildOnes(double first) {
        double k = first;
        for (int round = 0; round < ROUNDS; round++) {
            double[] off = Arrays.stream(residuals(k)).map(Math::abs).toArray();
            boolean last = round == ROUNDS - 1;
            double[] scaled = scaled(off);
            double wild = Math.max(WILD, sorted(scaled)[off.length - 1 - mostWild()]);
            for (int i = 0; i < off.length; i++) {
                boolean sound = off[i] * off[i] <= exact || scaled[i] <= (last ? wild : SOFT);
                weight[i] = sound ? 1 : last ? 0 : SOFT / scaled[i];
            }
            k = best();
        }
        return k;
    }

    /** Residuals in robust standard deviations of those near by: noise may grow with the reading. */
    private static double[] scaled(double[] off) {
        double[] scaled = new double[off.length];
        for (int i = 0; i < off.length; i++) {
            double[] near = sorted(Arrays.copyOfRange(off, Math.max(0, i - NEAR), Math.min(off.length, i + NEAR + 1)));
            scaled[i] = off[i] / Math.max(Double.MIN_NORMAL, NORMAL * near[near.length / 2]);
        }
        return scaled;
    }

    private int mostWild() {
        return Math.min((t.length - 1) / 2, Math.max(LEAST_WILD, (int) (MOST_WILD * t.length)));
    }

    private static double[] sorted(double[] values) {
        double[] sorted = values.clone();
        Arrays.sort(sorted);
        return sorted;
    }

    /** Takes the faster term in where the sensor follows late, or the term explains clearly more than chance would. */
    private double slowSensor(double plain) {
        double squares = squares(plain);
        int free = counted() - unknowns() - 2;
        if (free < 3 || squares <= exact) {
            return plain;
        }
        late = true;
        double k = best();
        late = lateForSure || limit(squares(k), CERTAIN, 2, free) < squares;
        return late ? k : plain;
    }

    /** Neighbours that hang together say less than they are; noise that grows with the reading likewise. */
    private double widened(double k, double least, int free) {
        double[] r = residuals(k);
        double[] tells = unexplained(k);
        double together = 0;
        double own = 0;
        double plain = 0;
        double sandwich = 0;
        for (int i = 0; i < r.length; i++) {
            own += weight[i] * r[i] * r[i];
            together += i == 0 ? 0 : weight[i] * weight[i - 1] * r[i] * r[i - 1];
            plain += weight[i] * tells[i] * tells[i];
            sandwich += weight[i] * tells[i] * tells[i] * r[i] * r[i];
        }
        if (own <= exact || plain == 0) {
            return 1;
        }
        double seen = together / own;
        double like = Math.min(MOST_ALIKE, seen + (1 + 3 * seen) / counted());
        double hanging = seen > 1 / Math.sqrt(counted()) ? (1 + like) / (1 - like) : 1;
        return hanging * Math.max(1, sandwich / plain / (least / free));
    }

    /** What of the rate's own trace in the readings no other unknown can stand for. */
    private double[] unexplained(double k) {
        double[][] columns = best(k);
        double[] trace = new double[t.length];
        for (int i = 0; i < t.length; i++) {
            trace[i] = t[i] * columns[i][0];
        }
        double[] with = solve(columns, trace);
        for (int i = 0; i < t.length; i++) {
            for (int c = 0; c < with.length; c++) {
                trace[i] -= with[c] * columns[i][c];
            }
        }
        return trace;
    }

    private double edge(double k, double far, double most) {
        if (squares(far) <= most) {
            return far;
        }
        return Math.exp(new BrentSolver(1e-10)
                .solve(
                        300,
                        log -> squares(Math.exp(log)) - most,
                        Math.log(Math.min(k, far)),
                        Math.log(Math.max(k, far))));
    }

    private double squares(double k) {
        return squares(best(k));
    }

    private double squares(double[][] columns) {
        double sum = 0;
        double[] r = residuals(columns);
        for (int i = 0; i < r.length; i++) {
            sum += weight[i] * r[i] * r[i];
        }
        return sum;
    }

    private double[] residuals(double k) {
        return residuals(best(k));
    }

    private double[] residuals(double[][] columns) {
        double[] found = solve(columns, y);
        double[] r = new double[t.length];
        for (int i = 0; i < t.length; i++) {
            r[i] = y[i];
            for (int c = 0; c < found.length; c++) {
                r[i] -= found[c] * columns[i][c];
            }
        }
        return r;
    }

    private double[] solved(double k) {
        return solve(best(k), y);
    }

    /** The curves of a rate: its own, the background where it is not known, and the faster one that fits best. */
    private double[][] best(double k) {
        double[][] alone = columns(k, 0);
        if (!late) {
            return alone;
        }
        double times = 0;
        double least = squares(alone);
        for (double now : LATE) {
            double squares = rounded(k, now);
            if (squares < least) {
                least = squares;
                times = now;
            }
        }
        return times == 0
                ? alone
                : columns(k, Sections.lowest(x -> rounded(k, x), times / LATE_STEP, times * LATE_STEP, LATE_FINE));
    }

    /** Sum of squares with a faster term that rounds the top off; without bound where it would sharpen it. */
    private double rounded(double k, double times) {
        double[][] with = columns(k, times);
        double[] solved = solve(with, y);
        return solved[solved.length - 1] < 0 ? squares(with) : Double.POSITIVE_INFINITY;
    }

    private double[][] columns(double k, double times) {
        int count = 1 + (background == null ? 1 : 0) + (times > 0 ? 1 : 0);
        double[][] columns = new double[t.length][count];
        for (int i = 0; i < t.length; i++) {
            columns[i][0] = Math.exp(-k * t[i]);
            if (background == null) {
                columns[i][1] = 1;
            }
            if (times > 0) {
                columns[i][count - 1] = Math.exp(-k * times * t[i]);
            }
        }
        return columns;
    }

    private double straightLine() {
        double[][] columns = new double[t.length][];
        for (int i = 0; i < t.length; i++) {
            columns[i] = new double[] {1, t[i] / span};
        }
        return squares(columns);
    }

    /** Normal equations of a few columns. */
    private double[] solve(double[][] columns, double[] of) {
        int n = columns[0].length;
        double[][] squares = new double[n][n];
        double[] right = new double[n];
        for (int i = 0; i < t.length; i++) {
            for (int a = 0; a < n; a++) {
                right[a] += weight[i] * columns[i][a] * of[i];
                for (int b = 0; b <= a; b++) {
                    squares[a][b] += weight[i] * columns[i][a] * columns[i][b];
                    squares[b][a] = squares[a][b];
                }
            }
        }
        return eliminated(squares, right);
    }

    /** Gauss without pivots: the matrix is positive, a trace of its diagonal keeps it so. */
    private static double[] eliminated(double[][] a, double[] b) {
        int n = b.length;
        for (int i = 0; i < n; i++) {
            a[i][i] *= 1 + TRACE;
        }
        for (int i = 0; i < n; i++) {
            for (int r = i + 1; r < n; r++) {
                double times = a[r][i] / a[i][i];
                b[r] -= times * b[i];
                for (int c = i; c < n; c++) {
                    a[r][c] -= times * a[i][c];
                }
            }
        }
        for (int i = n - 1; i >= 0; i--) {
            for (int c = i + 1; c < n; c++) {
                b[i] -= a[i][c] * b[c];
            }
            b[i] /= a[i][i];
        }
        return b;
    }

    private int counted() {
        return (int) Arrays.stream(weight).filter(w -> w > 0).count();
    }

    private double scatter() {
        double sum = 0;
        double all = 0;
        for (int i = 0; i < y.length; i++) {
            sum += weight[i] * y[i];
            all += weight[i];
        }
        double mean = sum / all;
        double squares = 0;
        for (int i = 0; i < y.length; i++) {
            squares += weight[i] * (y[i] - mean) * (y[i] - mean);
        }
        return squares;
    }
}
