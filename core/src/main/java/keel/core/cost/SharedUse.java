package keel.core.cost;

import java.util.Comparator;
import java.util.List;

/**
 * What prints share out of the stores: gloves, towels, filters, alcohol. A print's part is what goes out a day over the
 * prints of a day.
 *
 * @param lines the dearest first
 * @param perPrint money, their sum
 */
public record SharedUse(List<SharedLine> lines, double perPrint) {

    /** An item as it goes out, in its own unit; {@code price} of one. */
    public record SharedItem(String code, String name, String unit, double aDay, double price) {}

    /** A print's part of it: how much, and what that costs. */
    public record SharedLine(String code, String name, String unit, double quantity, double amount) {}

    /** @param printsADay more than 0 */
    public static SharedUse of(List<SharedItem> items, double printsADay) {
        if (!(printsADay > 0)) {
            throw new IllegalArgumentException("Nothing is printed that could share it.");
        }
        List<SharedLine> lines = items.stream()
                .map(i -> new SharedLine(
                        i.code(), i.name(), i.unit(), i.aDay() / printsADay, i.aDay() / printsADay * i.price()))
                .sorted(Comparator.comparing((SharedLine l) -> -l.amount()))
                .toList();
        return new SharedUse(
                lines, lines.stream().mapToDouble(SharedLine::amount).sum());
    }
}
