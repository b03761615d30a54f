package keel.core.quick;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import keel.core.Plain;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.Word;

/** {@code stores gloves -10}, {@code stores film sheet 144 +5}: an item came in or went out. */
final class StoresLine {

    private static final double MOST = 1_000_000;

    private final Vocabulary words;

    StoresLine(Vocabulary words) {
        this.words = words;
    }

    Reading read(List<String> tokens) {
        if (tokens.isEmpty()) {
            return Reading.unclear("Which item, and how much? Out with a minus: stores gloves -10.", choices("", ""));
        }
        String last = tokens.get(tokens.size() - 1);
        boolean amount = last.matches("[+\\-−]?\\d+([.,]\\d+)?") && tokens.size() > 1;
        String name = String.join(" ", amount ? tokens.subList(0, tokens.size() - 1) : tokens);
        Optional<Word> item = QuickLine.byName(words.items()).find(name);
        if (item.isEmpty()) {
            List<Choice> near = choices(name, amount ? " " + last : "");
            return Reading.unclear(
                    near.isEmpty() ? "The stores keep nothing called " + name + "." : "Which item is " + name + "?",
                    near);
        }
        return read(item.get(), amount ? List.of(last) : List.of());
    }

    Reading read(Word item, List<String> tokens) {
        if (tokens.size() != 1 || !tokens.get(0).matches("[+\\-−]?\\d+([.,]\\d+)?")) {
            return tokens.isEmpty()
                    ? QuickLine.open("item", item)
                    : Reading.unclear(
                            "How many " + item.unit() + " of " + item.name() + "? Out with a minus, in without.",
                            List.of());
        }
        double quantity = Amounts.number(tokens.get(0).replace('−', '-').replace("+", ""));
        if (quantity == 0 || Math.abs(quantity) > MOST) {
            return Reading.unclear(
                    "A movement of " + tokens.get(0) + " " + item.unit() + " is not believable.", List.of());
        }
        return Reading.clear(
                new Order.MoveStock(item.code(), quantity),
                "Stores: %s %s %s %s."
                        .formatted(
                                Plain.number(Math.abs(quantity)),
                                item.unit(),
                                item.name().toLowerCase(Locale.ROOT),
                                quantity < 0 ? "taken out" : "put in"));
    }

    private List<Choice> choices(String name, String amount) {
        return QuickLine.byName(words.items()).nearest(name, 5).stream()
                .map(i -> "stores " + i.code() + amount)
                .flatMap(line ->
                        QuickLine.choice(line, read(List.of(line.substring(7).split(" ")))).stream())
                .toList();
    }
}
