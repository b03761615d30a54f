package keel.core.quick;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.core.Plain;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.MachineWord;
import keel.core.quick.Vocabulary.Word;

/** What was poured: {@code 200ml B3}, {@code 0.2 l reed grey}, {@code 120ml} of what is in the vat already. */
final class PourWords {

    private static final double MOST_ML = 20_000;
    private static final Pattern LARGER = Pattern.compile("(\\d+(?:[.,]\\d+)?)(cl|l|litres?|liters?)");
    private static final Set<String> IDLE = Set.of("up", "of", "with", "from", "into", "in", "to", "back", "bottle");

    private final Vocabulary words;
    private final MachineWord machine;

    PourWords(Vocabulary words, MachineWord machine) {
        this.words = words;
        this.machine = machine;
    }

    /**
     * @param back whether it went from the vat into the bottle
     * @param choices makes lines to choose of what is said after the machine
     */
    Reading read(List<String> tokens, boolean back, Function<String[], List<Choice>> choices) {
        Amounts amounts = Amounts.in(millilitres(tokens));
        List<String> names = new ArrayList<>(amounts.words());
        names.removeIf(w -> IDLE.contains(w.toLowerCase(Locale.ROOT)));
        String said = names.isEmpty() ? "" : " " + String.join(" ", names);
        if (amounts.ml() == null || amounts.ml() <= 0 || amounts.ml() > MOST_ML) {
            return Reading.unclear(
                    "How much was " + (back ? "returned? return" : "poured? pour") + " 120ml" + said, List.of());
        }
        Optional<Word> bottle = names.stream().flatMap(n -> bottle(n).stream()).findFirst();
        if (bottle.isPresent()) {
            names.removeIf(n -> bottle(n).isPresent());
            return ofBottle(bottle.get(), amounts.ml(), back, names);
        }
        return back
                ? Reading.unclear("Into which bottle? return " + Plain.number(amounts.ml()) + "ml B3", List.of())
                : ofResin(amounts.ml(), names, choices);
    }

    private Reading ofBottle(Word bottle, double ml, boolean back, List<String> left) {
        left.removeIf(w -> Names.plain(bottle.name()).contains(Names.plain(w)));
        if (!left.isEmpty()) {
            return Reading.unclear(
                    "What is " + left.get(0) + "? Bottle " + bottle.code() + " holds " + bottle.name() + ".",
                    List.of());
        }
        return Reading.clear(
                new Order.PourBottle(machine.code(), bottle.code(), ml, back),
                machine.name() + ": " + Plain.number(ml) + " ml "
                        + (back ? "returned to bottle " : "poured from bottle ") + bottle.code() + ", " + bottle.name()
                        + ".");
    }

    private Reading ofResin(double ml, List<String> names, Function<String[], List<Choice>> choices) {
        String name = names.isEmpty() ? machine.resin() : String.join(" ", names);
        Optional<Word> resin = name == null
                ? Optional.empty()
                : QuickLine.byName(words.resins()).find(name);
        if (resin.isEmpty()) {
            return Reading.unclear(
                    "Which resin?",
                    choices.apply(words.resins().stream()
                            .limit(5)
                            .map(r -> "pour " + Plain.number(ml) + "ml " + r.code())
                            .toArray(String[]::new)));
        }
        boolean mixes =
                machine.resin() != null && !machine.resin().equals(resin.get().code());
        return Reading.clear(
                new Order.Pour(machine.code(), resin.get().code(), ml),
                machine.name() + ": " + Plain.number(ml) + " ml of "
                        + resin.get().name() + " poured"
                        + (mixes ? " onto another resin: the machine will be held." : "."));
    }

    private Optional<Word> bottle(String token) {
        String code = LabelCode.read(token).map(LabelCode::code).orElse(token);
        return words.bottles().stream()
                .filter(b -> b.code().equalsIgnoreCase(code))
                .findFirst();
    }

    /** Litres and centilitres as millilitres. */
    private static List<String> millilitres(List<String> tokens) {
        return tokens.stream()
                .map(token -> {
                    Matcher larger = LARGER.matcher(token.toLowerCase(Locale.ROOT));
                    return larger.matches()
                            ? Plain.number(Amounts.number(larger.group(1))
                                            * (larger.group(2).equals("cl") ? 10 : 1000)) + "ml"
                            : token;
                })
                .toList();
    }
}
