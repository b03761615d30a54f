package keel.core.cost;

import java.util.List;
import keel.core.cost.PrintCost.CostLine;
import keel.core.cost.PrintCost.Uses;
import keel.core.standing.Defaults;

/**
 * What the shop pays, from its own figures.
 *
 * @param resinPerLitre money a litre
 * @param film a sheet, or a tank where {@code tank}; {@code screen} likewise; 0 for a machine without
 * @param filmLifeHours print hours that such a film typically lasts, {@code screenLifeUvHours} UV hours
 * @param perPrint gloves, towels, filters, alcohol of a print
 */
public record Prices(
        double resinPerLitre,
        double film,
        double filmLifeHours,
        double screen,
        double screenLifeUvHours,
        double perPrint,
        Defaults defaults) {

    /** What one or several prints used up: print hours, UV hours, resin, and how many they were. */
    public record Used(double hours, double uvHours, double resinMl, int prints) {

        public Used plus(Used other) {
            return new Used(
                    hours + other.hours, uvHours + other.uvHours, resinMl + other.resinMl, prints + other.prints);
        }
    }

    /** @param successRate chance that an attempt comes out, null to leave it out of account */
    public PrintCost of(Used u, Double successRate) {
        return PrintCost.of(uses(u, u.prints() * defaults.value("run.labourMinutes"), successRate));
    }

    /** The same with as much work as somebody says, min. */
    public PrintCost of(Used u, double labourMinutes, Double successRate) {
        return PrintCost.of(uses(u, labourMinutes, successRate));
    }

    private Uses uses(Used u, double labourMinutes, Double successRate) {
        return new Uses(
                u.resinMl(),
                resinPerLitre,
                u.hours(),
                screen == 0 ? null : Double.valueOf(u.uvHours()),
                film,
                filmLifeHours,
                screen == 0 ? null : Double.valueOf(screen),
                screen == 0 ? null : Double.valueOf(screenLifeUvHours),
                labourMinutes,
                defaults.value("labour.perHour"),
                u.hours() * defaults.value("energy.kw"),
                defaults.value("energy.price"),
                List.of(
                        new CostLine(
                                "Plate", defaults.value("plate.price") * u.hours() / defaults.value("plate.lifeHours")),
                        new CostLine("Gloves, towels, filters, alcohol", u.prints() * perPrint)),
                successRate);
    }
}
