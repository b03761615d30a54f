package keel.core.cost;

import java.util.ArrayList;
import java.util.List;
import keel.core.Findings;

/**
 * What a print costs, line by line: what it uses up, its share of the lives of film and screen, energy and work. A good
 * print costs as much as its expected attempts, 1/p, together.
 *
 * @param lines that are more than nothing, or were given as nothing
 * @param perAttempt their sum
 * @param perGoodPrint over the success rate
 */
public record PrintCost(List<CostLine> lines, double perAttempt, double perGoodPrint) {

    private static final double MOST = 1e7;

    /** One line. */
    public record CostLine(String name, double amount) {}

    /**
     * What goes into a print; what is not known is null and costs nothing.
     *
     * @param resinPricePerL money a litre; prices are all in one money
     * @param hours of printing, of a film that lasts {@code filmLifeHours}; {@code uvHours} of a screen that lasts
     *     {@code screenLifeUvHours}
     * @param other further lines: share of a plate or vat, filters, gloves, towels, alcohol
     * @param successRate chance that an attempt comes out, above 0; null counts as 1
     */
    public record Uses(
            Double resinMl,
            Double resinPricePerL,
            Double hours,
            Double uvHours,
            Double filmPrice,
            Double filmLifeHours,
            Double screenPrice,
            Double screenLifeUvHours,
            Double labourMinutes,
            Double labourPricePerHour,
            Double energyKwh,
            Double energyPrice,
            List<CostLine> other,
            Double successRate) {

        /** What cannot be, at the fields as the open interface calls them. */
        public void check(Findings findings) {
            amount(resinMl, "resinMl", "The resin", "ml", findings);
            amount(resinPricePerL, "resinPricePerL", "The price of the resin", "", findings);
            amount(hours, "hours", "The hours", "h", findings);
            amount(uvHours, "uvHours", "The UV hours", "h", findings);
            amount(filmPrice, "filmPrice", "The price of a film", "", findings);
            amount(screenPrice, "screenPrice", "The price of a screen", "", findings);
            life(filmLifeHours, "filmLifeHours", "The life of a film", findings);
            life(screenLifeUvHours, "screenLifeUvHours", "The life of a screen", findings);
            amount(labourMinutes, "labourMinutes", "The work", "min", findings);
            amount(labourPricePerHour, "labourPricePerHour", "The price of work", "", findings);
            amount(energyKwh, "energyKwh", "The energy", "kWh", findings);
            amount(energyPrice, "energyPrice", "The price of energy", "", findings);
            findings.rangeIfGiven(successRate, 1e-4, 1, "successRate", "The success rate", "");
            for (int i = 0; other != null && i < other.size(); i++) {
                CostLine line = other.get(i);
                if (!findings.when(
                        line == null || line.name() == null || line.name().isBlank(),
                        "other[" + i + "].name",
                        "A further line has no name.")) {
                    findings.range(line.amount(), -MOST, MOST, "other[" + i + "].amount", line.name(), "");
                }
            }
        }

        private static void amount(Double value, String field, String what, String unit, Findings findings) {
            findings.rangeIfGiven(value, 0, MOST, field, what, unit);
        }

        private static void life(Double value, String field, String what, Findings findings) {
            findings.rangeIfGiven(value, 1e-3, MOST, field, what, "h");
        }
    }

    /** @throws IllegalArgumentException if {@link Uses#check} finds anything */
    public static PrintCost of(Uses u) {
        Findings findings = new Findings();
        u.check(findings);
        if (!findings.none()) {
            throw new IllegalArgumentException(findings.list().get(0).message());
        }
        List<CostLine> lines = new ArrayList<>();
        add("Resin", product(u.resinMl(), u.resinPricePerL(), 1.0 / 1000), lines);
        add("Film", share(u.filmPrice(), u.hours(), u.filmLifeHours()), lines);
        add("Screen", share(u.screenPrice(), u.uvHours(), u.screenLifeUvHours()), lines);
        add("Work", product(u.labourMinutes(), u.labourPricePerHour(), 1.0 / 60), lines);
        add("Energy", product(u.energyKwh(), u.energyPrice(), 1), lines);
        if (u.other() != null) {
            lines.addAll(u.other());
        }
        double attempt = lines.stream().mapToDouble(CostLine::amount).sum();
        return new PrintCost(lines, attempt, attempt / (u.successRate() == null ? 1 : u.successRate()));
    }

    private static void add(String name, Double amount, List<CostLine> lines) {
        if (amount != null) {
            lines.add(new CostLine(name, amount));
        }
    }

    private static Double product(Double quantity, Double price, double per) {
        return quantity == null || price == null ? null : Double.valueOf(quantity * price * per);
    }

    private static Double share(Double price, Double used, Double life) {
        return price == null || used == null || life == null ? null : Double.valueOf(price * used / life);
    }
}
