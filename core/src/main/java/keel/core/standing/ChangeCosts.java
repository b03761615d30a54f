package keel.core.standing;

import java.util.ArrayList;
import java.util.List;

/**
 * What a change of a part costs when it is planned, and what comes to that when the part ends in a print, line by line.
 * Figures that a shop may change; common practice, no published source.
 */
public record ChangeCosts(List<ChangeCostLine> planned, List<ChangeCostLine> besides) {

    private static final double BEFORE = 2;

    /**
     * One line.
     *
     * @param figures codes of the figures that it is made of, the first of them its own
     */
    public record ChangeCostLine(String name, double amount, List<String> figures) {}

    /** @throws IllegalArgumentException for a kind of part that nobody changes */
    public static ChangeCosts of(Defaults d, PartUse.UsedPart kind) {
        String k = kind.prefix() + ".";
        double labour = d.value("labour.perHour") / 60;
        List<ChangeCostLine> besides = new ArrayList<>(List.of(
                new ChangeCostLine("Resin lost", d.value(k + "lostResin"), List.of(k + "lostResin")),
                new ChangeCostLine(
                        "Cleaning up",
                        labour * d.value(k + "cleanMinutes"),
                        List.of(k + "cleanMinutes", "labour.perHour")),
                new ChangeCostLine(
                        "Machine hours lost",
                        d.value("machine.hourValue") * d.value(k + "lostHours"),
                        List.of(k + "lostHours", "machine.hourValue"))));
        if (kind == PartUse.UsedPart.FILM) {
            besides.add(new ChangeCostLine(
                    "The screen's risk",
                    d.value("film.screenShare") * of(d, PartUse.UsedPart.SCREEN).plannedCost(),
                    List.of("film.screenShare", "screen.price")));
        }
        return new ChangeCosts(
                List.of(
                        new ChangeCostLine("The part", d.value(k + "price"), List.of(k + "price")),
                        new ChangeCostLine(
                                "Work",
                                labour * d.value(k + "changeMinutes"),
                                List.of(k + "changeMinutes", "labour.perHour")),
                        new ChangeCostLine("Consumables", d.value(k + "consumables"), List.of(k + "consumables"))),
                besides);
    }

    public double plannedCost() {
        return planned.stream().mapToDouble(ChangeCostLine::amount).sum();
    }

    /** Where it ends in a print. */
    public double failureCost() {
        return plannedCost()
                + besides.stream().mapToDouble(ChangeCostLine::amount).sum();
    }

    /**
     * What an end costs on the whole, where some are seen before they spoil a print.
     *
     * @param inPrint ends in a print, {@code ends} all of them; two more in a print are thought of, so that few ends do
     *     not tell too much
     */
    public double endCost(int inPrint, int ends) {
        double share = (inPrint + BEFORE) / (ends + BEFORE);
        return plannedCost() + share * (failureCost() - plannedCost());
    }
}
