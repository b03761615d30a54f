package keel.core.stock;

import keel.core.Findings;
import org.apache.commons.statistics.distribution.NormalDistribution;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.hipparchus.special.Beta;

/**
 * When to order a used item, and how much. Demand and lead time vary independently of one another: over the lead time
 * the mean is d·L and the variance L·σd² + d²·σL².
 *
 * <p>Much used (more than twenty over the lead time): d·L + z·√(L·σd² + d²·σL²). Slow: the smallest whole
 * number that is enough with the wanted chance, by Poisson; by the negative binomial where the variance is more than
 * the mean, and by the binomial where it is less and enough goes out to say so.
 *
 * <p>Source: any text on inventories, as Silver, Pyke and Peterson, Inventory Management and Production Planning and
 * Scheduling, 3rd ed., ch. 7 and 8 (from memory).
 *
 * @param reorderPoint order once so much is left
 * @param safetyStock z·√(L·σd² + d²·σL²) against scatter; 0 from a service level of a half on
 * @param orderQuantity demand of the days that an order shall cover, in whole packs
 */
public record Reorder(double reorderPoint, double safetyStock, double orderQuantity) {

    public static final double COVER_DAYS = 30;
    public static final double MOST_LEVEL = 0.9999;

    private static final double MOST = 1e7;
    private static final double ROUNDING = 1e-9;

    /** From so many over the lead time on, use that is steadier than chance counts as such. */
    private static final int STEADY = 5;

    /** Up to so many over the lead time, whole pieces count. */
    private static final int SLOW = 20;

    /**
     * What is known of an item.
     *
     * @param dailyDemand in its unit, {@code dailyDemandSd} its standard deviation from day to day
     * @param leadDays until an order comes, {@code leadDaysSd} likewise
     * @param serviceLevel chance that it lasts until then, 0 to {@link #MOST_LEVEL}
     * @param packSize in which it is sold
     */
    public record ReorderItem(
            Double dailyDemand,
            Double dailyDemandSd,
            Double leadDays,
            Double leadDaysSd,
            Double serviceLevel,
            Double packSize,
            Double coverDays) {

        /** Mean demand over the lead time. */
        double during() {
            return dailyDemand * leadDays;
        }

        /** Its standard deviation. */
        double sdDuring() {
            return Math.sqrt(
                    leadDays * dailyDemandSd * dailyDemandSd + dailyDemand * dailyDemand * leadDaysSd * leadDaysSd);
        }

        boolean slow() {
            return during() <= SLOW;
        }

        /** What cannot be, at the fields as the open interface calls them. */
        public void check(Findings findings) {
            findings.range(dailyDemand, 0, MOST, "dailyDemand", "The demand a day", "");
            findings.range(dailyDemandSd, 0, MOST, "dailyDemandSd", "The spread of the demand", "");
            findings.range(leadDays, 0, 3650, "leadDays", "The lead time", "days");
            findings.range(leadDaysSd, 0, 3650, "leadDaysSd", "The spread of the lead time", "days");
            findings.range(serviceLevel, 0, MOST_LEVEL, "serviceLevel", "The service level", "");
            findings.range(packSize, 1e-6, MOST, "packSize", "The size of a pack", "");
            findings.range(coverDays, 0, 3650, "coverDays", "The days that an order covers", "days");
        }
    }

    /** @throws IllegalArgumentException if {@link ReorderItem#check} finds anything */
    public static Reorder of(ReorderItem i) {
        Findings findings = new Findings();
        i.check(findings);
        if (!findings.none()) {
            throw new IllegalArgumentException(findings.list().get(0).message());
        }
        double safety = i.serviceLevel() <= 0.5
                ? 0
                : NormalDistribution.of(0, 1).inverseCumulativeProbability(i.serviceLevel()) * i.sdDuring();
        double packs = Math.ceil(i.dailyDemand() * i.coverDays() / i.packSize() - ROUNDING);
        return new Reorder(i.slow() ? enough(i) : i.during() + safety, safety, packs * i.packSize());
    }

    private static double enough(ReorderItem i) {
        int stock = 0;
        while (lasts(i, stock) < i.serviceLevel()) {
            stock++;
        }
        return stock;
    }

    /** Chance that a whole number lasts until an order comes, for what is used slowly. */
    private static double lasts(ReorderItem i, int stock) {
        double mean = i.during();
        double variance = i.sdDuring() * i.sdDuring();
        if (mean == 0) {
            return 1;
        }
        if (variance > mean * (1 + ROUNDING)) {
            return Beta.regularizedBeta(mean / variance, mean * mean / (variance - mean), stock + 1.0);
        }
        if (mean >= STEADY && variance < mean * (1 - ROUNDING)) {
            double most = mean * mean / (mean - variance);
            return stock >= most ? 1 : Beta.regularizedBeta(variance / mean, most - stock, stock + 1.0);
        }
        return PoissonDistribution.of(mean).cumulativeProbability(stock);
    }

    /** Chance that so much does not last until an order comes. */
    public static double runsOut(ReorderItem i, double onHand) {
        if (i.slow()) {
            return onHand < 0 ? 1 : 1 - lasts(i, (int) Math.min(SLOW * SLOW, Math.floor(onHand)));
        }
        double during = i.during();
        double sd = i.sdDuring();
        return sd == 0
                ? during > onHand ? 1 : 0
                : NormalDistribution.of(during, sd).survivalProbability(onHand);
    }
}
