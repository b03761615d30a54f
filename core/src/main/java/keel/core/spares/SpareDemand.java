package keel.core.spares;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;
import keel.core.wear.Lifespan;
import org.jspecify.annotations.Nullable;

/**
 * Demand for spares within a lead time, from the lives of the parts in service: each that ends is renewed at once, and
 * the new one may end too.
 *
 * <p>A delayed renewal process for each part: the first end follows from its age, later ones from the whole life;
 * counts by convolution on a grid of time, then the counts of all parts together. For exponential lives it is the
 * Poisson distribution. Source: Cox, Renewal Theory, 1962, ch. 3 (from memory).
 *
 * @param distribution chance of 0, 1, 2, … ends; adds up to 1
 */
public record SpareDemand(double[] distribution) {

    /** More ends than this are not reckoned with. */
    public static final int MOST_ENDS = 400;

    private static final int STEPS = 1200;
    private static final int RENEWALS = 400;
    private static final double NEGLIGIBLE = 1e-10;

    /**
     * A part in service.
     *
     * @param use within the lead time, on the clock of its life
     * @param seen chance that it has ended after so much use, by what was seen of it; null where nobody looked
     */
    public record InService(Lifespan life, double age, double use, @Nullable DoubleUnaryOperator seen) {

        /** One of which only its age is known. */
        public InService(Lifespan life, double age, double use) {
            this(life, age, use, null);
        }

        double endsWithin(double more) {
            return seen == null ? life.failsWithin(age, more) : seen.applyAsDouble(more);
        }
    }

    /** @throws IllegalArgumentException if so many would end that spares are no question any more */
    public static SpareDemand of(List<InService> parts) {
        return together(parts.stream().map(SpareDemand::ends).toList());
    }

    /** Of parts of which each is known by itself, as {@link #ends} gives it. */
    public static SpareDemand together(List<double[]> ends) {
        double[] all = {1};
        for (double[] part : ends) {
            all = together(all, part);
        }
        return new SpareDemand(all);
    }

    /**
     * Chance that a part, with those that follow it, ends 0, 1, 2, … times within the lead time.
     *
     * @throws IllegalArgumentException if it would end so often that spares are no question any more
     */
    public static double[] ends(InService part) {
        if (part.use() == 0) {
            return new double[] {1};
        }
        double step = part.use() / STEPS;
        double[] lived = new double[STEPS + 1];
        double[] atLeast = new double[STEPS + 1];
        for (int i = 0; i <= STEPS; i++) {
            lived[i] = part.life().failsWithin(0, i * step);
            atLeast[i] = part.endsWithin(i * step);
        }
        List<Double> chances = new ArrayList<>();
        double before = 1;
        while (true) {
            double now = atLeast[STEPS];
            chances.add(before - now);
            if (now < NEGLIGIBLE) {
                break;
            }
            if (chances.size() > MOST_ENDS) {
                throw new IllegalArgumentException("More than " + MOST_ENDS
                        + " of one part would end within the lead time: look at life, hours a day and lead time.");
            }
            before = now;
            atLeast = oneMore(atLeast, lived);
        }
        return chances.stream().mapToDouble(Double::doubleValue).toArray();
    }

    /**
     * How many of a part and those that follow it are expected to end: the renewal function,
     * m(t) = F(t) + ∫ m(t − x) dF(x), by the trapezoidal rule.
     *
     * <p>Source: Cox, Renewal Theory, 1962, ch. 4 (from memory).
     */
    public static double expected(InService part) {
        if (part.use() == 0) {
            return 0;
        }
        double step = part.use() / RENEWALS;
        double[] whole = new double[RENEWALS + 1];
        double[] lived = new double[RENEWALS + 1];
        for (int i = 1; i <= RENEWALS; i++) {
            lived[i] = part.life().failsWithin(0, i * step);
            double first = lived[1];
            double sum = lived[i] + whole[i - 1] / 2 * first;
            for (int k = 2; k <= i; k++) {
                sum += (whole[i - k] + whole[i - k + 1]) / 2 * (lived[k] - lived[k - 1]);
            }
            whole[i] = sum / (1 - first / 2);
        }
        double expected = part.endsWithin(part.use());
        double before = 0;
        for (int k = 1; k <= RENEWALS; k++) {
            double now = part.endsWithin(k * step);
            expected += (whole[RENEWALS - k] + whole[RENEWALS - k + 1]) / 2 * (now - before);
            before = now;
        }
        return expected;
    }

    /**
     * Chance that one more has ended by each time, where a whole life follows; by the trapezoidal rule over the life's
     * steps.
     */
    private static double[] oneMore(double[] atLeast, double[] lived) {
        double[] more = new double[atLeast.length];
        double[] ending = new double[atLeast.length];
        double[] middle = new double[atLeast.length];
        for (int k = 1; k < more.length; k++) {
            ending[k] = lived[k] - lived[k - 1];
            middle[k - 1] = (atLeast[k - 1] + atLeast[k]) / 2;
        }
        for (int k = 1; k < more.length; k++) {
            for (int i = k; i < more.length; i++) {
                more[i] += ending[k] * middle[i - k];
            }
        }
        return more;
    }

    private static double[] together(double[] a, double[] b) {
        double[] sum = new double[a.length + b.length - 1];
        for (int i = 0; i < a.length; i++) {
            for (int k = 0; k < b.length; k++) {
                sum[i + k] += a[i] * b[k];
            }
        }
        int last = sum.length - 1;
        double tail = 0;
        while (last > 0 && tail + sum[last] < NEGLIGIBLE) {
            tail += sum[last--];
        }
        double[] kept = Arrays.copyOf(sum, last + 1);
        kept[last] += tail;
        return kept;
    }

    public double expected() {
        double sum = 0;
        for (int k = 0; k < distribution.length; k++) {
            sum += k * distribution[k];
        }
        return sum;
    }

    /** Chance that so many spares are enough. */
    public double enough(int stock) {
        double sum = 0;
        for (int k = 0; k <= Math.min(stock, distribution.length - 1); k++) {
            sum += distribution[k];
        }
        return Math.min(1, sum);
    }

    /** The smallest stock that is enough with that chance; {@code level} below 1. */
    public int stockFor(double level) {
        int stock = 0;
        while (stock < distribution.length - 1 && enough(stock) < level) {
            stock++;
        }
        return stock;
    }
}
