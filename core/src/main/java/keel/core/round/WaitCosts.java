package keel.core.round;

import com.fasterxml.jackson.databind.JsonNode;
import keel.core.CheckedYaml;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import org.jspecify.annotations.Nullable;

/**
 * What an hour of waiting costs, in the shop's money: an idle machine by the value of its hour and the chance that
 * something waits for it, a part by the growth of its chance to fail, a print by what of it spoils. Rates that the
 * shop's own figures do not say are common practice, no published source; they stand in {@code round/waiting.yaml}.
 */
public final class WaitCosts {

    private static final JsonNode RATES = checked();
    private static final double HOURS_A_DAY = 24;

    private final Defaults defaults;

    public WaitCosts(Defaults defaults) {
        this.defaults = defaults;
    }

    private static JsonNode checked() {
        JsonNode file = CheckedYaml.shipped("round/waiting");
        CheckedYaml.requireSchema("round/waiting", file);
        return file;
    }

    private static double rate(String group, String name) {
        return RATES.get(group).get(name).asDouble();
    }

    /** Minutes from one room to another. */
    public static double changeMinutes() {
        return rate("walk", "changeMinutes");
    }

    /** Minutes until somebody comes again, where nobody says. */
    public static double nextVisitMinutes() {
        return rate("walk", "nextVisitMinutes");
    }

    /** What can be begun only later than in so many minutes is not for this round. */
    public static double aheadMinutes() {
        return rate("walk", "aheadMinutes");
    }

    /** Days for which it counts that somebody said it can wait. */
    public static double rememberedDays() {
        return rate("canWait", "days");
    }

    /** What is left of the weight of a kind of work of which somebody said so often that it can wait. */
    public static double weight(int canWait) {
        double half = rate("canWait", "halvedBy");
        return Math.max(rate("canWait", "atLeast"), half / (half + canWait));
    }

    /** Money an hour that does not depend on the shop. */
    public double flat(String what) {
        return rate("flat", what);
    }

    /**
     * Of a machine that could print and does not.
     *
     * @param hoursPerDay print hours a day lately; null where nothing is known
     */
    public double idle(@Nullable Double hoursPerDay) {
        double waits = hoursPerDay == null
                ? rate("idle", "whileUnknown")
                : Math.min(1, Math.max(rate("idle", "atLeast"), hoursPerDay / rate("idle", "hoursPerDay")));
        return defaults.value("machine.hourValue") * waits;
    }

    /** Of a machine that could print and for which a job waits. */
    public double idleWhileWanted() {
        return defaults.value("machine.hourValue");
    }

    /**
     * Of a print that goes on and that nobody looks at.
     *
     * @param failed share of the machine's prints that failed; null where nothing is known
     */
    public double unseen(@Nullable Double failed) {
        double chance = failed == null ? rate("look", "failsWhileUnknown") : failed;
        return chance * (defaults.value("machine.hourValue") + rate("look", "wastesPerHour"));
    }

    /**
     * Of a part that stays on its machine: what it adds to the chance that a print fails, times what that costs more
     * than a change in time.
     *
     * @param hoursPerDay print hours a day lately
     */
    public double part(PartUse use, double hoursPerDay, double uvShare) {
        ChangeCosts costs = ChangeCosts.of(defaults, use.part());
        return use.failsWithin(1, uvShare) * hoursPerDay / HOURS_A_DAY * (costs.failureCost() - costs.plannedCost());
    }

    /** The same of a look at it that is due: it finds what would end it in a print. */
    public double look(PartUse use, double hoursPerDay, double uvShare) {
        ChangeCosts costs = ChangeCosts.of(defaults, use.part());
        double ends = 1 / use.life().typicalHours();
        return ends * hoursPerDay / HOURS_A_DAY * (costs.failureCost() - costs.plannedCost());
    }

    /** Of upkeep that is overdue on a machine that prints so many hours a day. */
    public double upkeep(double hoursPerDay) {
        return RATES.get("upkeepPerHour").asDouble()
                * hoursPerDay
                / HOURS_A_DAY
                * print(defaults.value("film.lostResin"), defaults.value("job.typicalHours"));
    }

    /** What a print of so much resin is worth: resin, the machine's time, the work. */
    public double printOf(double resinMl) {
        return print(resinMl / 1000 * defaults.value("resin.pricePerLitre"), defaults.value("job.typicalHours"));
    }

    private double print(double resin, double hours) {
        return resin
                + hours * defaults.value("machine.hourValue")
                + defaults.value("run.labourMinutes") / 60 * defaults.value("labour.perHour");
    }

    /** Stages in which a print spoils while it waits. */
    public enum Stage {
        BATH("bathPerHour"),
        WET("wetPerHour"),
        DRY("dryPerHour"),
        CURED("curedPerHour");

        private final String rate;

        Stage(String rate) {
            this.rate = rate;
        }
    }

    /** Of a print that is over its time there. */
    public double spoils(Stage stage, double resinMl) {
        return rate("spoils", stage.rate) * printOf(resinMl);
    }

    /** Of a bath that is spent, where so many prints a day go through it. */
    public double spentBath(double printsPerDay, double resinMl) {
        return RATES.get("spentBath").asDouble() * printsPerDay / HOURS_A_DAY * printOf(resinMl);
    }

    /**
     * Of an order that is not placed: the hour of being without that it adds.
     *
     * @param runsOut chance to be without before it comes
     * @param hurts LITTLE, SOME or MUCH
     */
    public static double order(double runsOut, String hurts) {
        return runsOut * rate("without", hurts);
    }
}
