package keel.core.stock;

import keel.core.Findings;
import org.apache.commons.statistics.distribution.NormalDistribution;

/**
 * When to order a steadily used item, and how much. Demand and lead time vary independently of one another; reorder
 * point d·L + z·√(L·σd² + d²·σL²).
 *
 * <p>Source: any text on inventories, as Silver, Pyke and Peterson, Inventory Management and Production Planning and
 * Scheduling, 3rd ed., ch. 7 (from memory).
 *
 * @param reorderPoint order once so much is left
 * @param safetyStock of it against scatter; 0 from a service level of a half on
 * @param orderQuantity demand of the days that an order shall cover, in whole packs
 */
public record Reorder(double reorderPoint, double safetyStock, double orderQuantity) {

    public static final double COVER_DAYS = 30;
    public static final double MOST_LEVEL = 0.9999;

    private static final double MOST = 1e7;
    private static final double ROUNDING = 1e-9;

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
        double during = i.dailyDemand() * i.leadDays();
        double sd = Math.sqrt(i.leadDays() * i.dailyDemandSd() * i.dailyDemandSd()
                + i.dailyDemand() * i.dailyDemand() * i.leadDaysSd() * i.leadDaysSd());
        double safety = i.serviceLevel() <= 0.5
                ? 0
                : NormalDistribution.of(0, 1).inverseCumulativeProbability(i.serviceLevel()) * sd;
        double packs = Math.ceil(i.dailyDemand() * i.coverDays() / i.packSize() - ROUNDING);
        return new Reorder(during + safety, safety, packs * i.packSize());
    }

    /** Chance that so much does not last until an order comes, by the same normal demand. */
    public static double runsOut(ReorderItem i, double onHand) {
        double during = i.dailyDemand() * i.leadDays();
        double sd = Math.sqrt(i.leadDays() * i.dailyDemandSd() * i.dailyDemandSd()
                + i.dailyDemand() * i.dailyDemand() * i.leadDaysSd() * i.leadDaysSd());
        return sd == 0
                ? during > onHand ? 1 : 0
                : NormalDistribution.of(during, sd).survivalProbability(onHand);
    }
}
