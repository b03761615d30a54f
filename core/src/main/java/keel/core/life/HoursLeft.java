package keel.core.life;

import java.util.function.DoubleUnaryOperator;

/**
 * Print hours until a part ends, as far as is known: one in ten such ends before {@code low}, half before the median,
 * nine in ten before {@code high}.
 */
public record HoursLeft(double median, double low, double high) {

    private static final double MOST_HOURS = 50_000;
    private static final int HALVINGS = 24;

    /** @param ended chance that it has ended after so many print hours */
    public static HoursLeft of(DoubleUnaryOperator ended) {
        return new HoursLeft(until(ended, 0.5), until(ended, 0.1), until(ended, 0.9));
    }

    private static double until(DoubleUnaryOperator ended, double chance) {
        if (ended.applyAsDouble(0) >= chance) {
            return 0;
        }
        double low = 0;
        double high = 10;
        while (high < MOST_HOURS && ended.applyAsDouble(high) < chance) {
            low = high;
            high *= 2;
        }
        for (int i = 0; i < HALVINGS && high - low > 0.01; i++) {
            double middle = (low + high) / 2;
            if (ended.applyAsDouble(middle) < chance) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Math.min(MOST_HOURS, high);
    }
}
