package keel.core.stock;

import java.util.Map;

/**
 * How much of an item is used a day, from what went out in a span of days; days without a movement count as nothing.
 *
 * @param mean in the item's unit a day
 * @param sd from day to day
 */
public record DailyDemand(double mean, double sd) {

    /**
     * @param out what went out by day, for days on which anything did; more than 0
     * @param days length of the span, at least 1
     */
    public static DailyDemand of(Map<?, Double> out, int days) {
        if (days < Math.max(1, out.size())) {
            throw new IllegalArgumentException(
                    "A span of " + days + " days cannot hold " + out.size() + " days of use.");
        }
        double sum = 0;
        double squares = 0;
        for (double quantity : out.values()) {
            sum += quantity;
            squares += quantity * quantity;
        }
        double mean = sum / days;
        return new DailyDemand(mean, days == 1 ? 0 : Math.sqrt(Math.max(0, squares - days * mean * mean) / (days - 1)));
    }
}
