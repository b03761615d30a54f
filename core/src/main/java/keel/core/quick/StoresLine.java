package keel.core.quick;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.IntStream;
import keel.core.Plain;
import keel.core.quick.Reading.Choice;
import keel.core.quick.Vocabulary.Word;
import keel.core.stock.StockUnit;

/**
 * {@code gloves -10}, {@code took 10 gloves}, {@code film sheet 144 +5}: an item came in or went out. Behind
 * <i>stores</i> an amount without a sign came in; elsewhere it is asked which of the two it was.
 */
final class StoresLine {

    private static final double MOST = 1_000_000;
    private static final Pattern NUMBER = Pattern.compile("([+-]?)(\\d+(?:[.,]\\d+)?)");
    private static final Pattern JOINED = Pattern.compile("(.*\\p{L})([+-]\\d+(?:[.,]\\d+)?)");
    private static final Pattern WITH_UNIT = Pattern.compile("([+-]?\\d+(?:[.,]\\d+)?)(\\p{L}+)");
    private static final List<String> COUNTED = List.of(
            "", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten", "eleven", "twelve");
    private static final Set<String> PLACE = Set.of("stock", "stores", "store", "the");
    private static final Set<String> OUT = Set.of(
            "took", "taken", "take", "used", "use", "out", "minus", "gone", "opened", "wasted", "broke", "broken");
    private static final Set<String> IN = Set.of(
            "put",
            "in",
            "plus",
            "got",
            "bought",
            "received",
            "arrived",
            "came",
            "delivered",
            "delivery",
            "added",
            "new");
    private static final Set<String> IDLE = Set.of(
            "stores", "stock", "of", "the", "we", "i", "more", "from", "to", "into", "away", "have", "were", "x", "×");

    private final Vocabulary words;

    StoresLine(Vocabulary words) {
        this.words = words;
    }

    /** An amount among the words: its place, and whether its sign was typed. */
    private record Amount(int at, double value, boolean signed) {}

    /** Whether these words can only be a movement of the stores. */
    boolean isMeant(List<String> typed) {
        List<String> tokens = apart(typed);
        return tokens.stream().anyMatch(t -> saysWay(t) || t.matches("[+-].*"))
                && amounts(tokens).stream().anyMatch(a -> item(name(tokens, a)).isPresent());
    }

    /** The item that these words name, whole. */
    Optional<Word> named(List<String> typed) {
        return item(String.join(" ", typed));
    }

    /** @param told whether <i>stores</i> was said, so that no sign means in */
    Reading read(List<String> typed, boolean told) {
        List<String> tokens = apart(typed);
        List<Amount> amounts = amounts(tokens);
        if (tokens.stream().allMatch(t -> IDLE.contains(t.toLowerCase(Locale.ROOT)))) {
            return Reading.unclear("Which item, and how much? Out with a minus: stores gloves -10.", choices("", ""));
        }
        for (Amount amount : amounts) {
            Optional<Word> item = item(name(tokens, amount)).filter(i -> !ofItsName(amount, i));
            if (item.isPresent()) {
                return moved(item.get(), amount, tokens, told);
            }
        }
        Optional<Word> whole = item(String.join(" ", tokens));
        if (whole.isPresent()) {
            return QuickLine.open("item", whole.get());
        }
        String name = amounts.isEmpty() ? String.join(" ", tokens) : name(tokens, amounts.get(0));
        List<Choice> near = choices(name, amounts.isEmpty() ? "" : " " + sign(amounts.get(0), tokens, true));
        return Reading.unclear(
                near.isEmpty() ? "The stores keep nothing called " + name + "." : "Which item is " + name + "?", near);
    }

    /** What is said behind the label of an item. */
    Reading of(Word item, List<String> tokens) {
        if (tokens.isEmpty()) {
            return QuickLine.open("item", item);
        }
        List<Amount> amounts = amounts(tokens);
        return amounts.size() != 1 || !name(tokens, amounts.get(0)).isEmpty()
                ? Reading.unclear(
                        "How many " + item.unit() + " of " + item.name() + "? Out with a minus, in without.", List.of())
                : moved(item, amounts.get(0), tokens, true);
    }

    private Reading moved(Word item, Amount amount, List<String> tokens, boolean told) {
        boolean out = says(OUT, tokens);
        boolean in = says(IN, tokens);
        if (out && in || in && amount.value < 0 || out && amount.signed && amount.value > 0) {
            return Reading.unclear(
                    "In or out? " + item.code() + " -" + Plain.number(Math.abs(amount.value)) + " is out.", List.of());
        }
        if (!out && !in && !amount.signed && !told) {
            String quantity = Plain.number(amount.value);
            return Reading.unclear(
                    "In or out?",
                    List.of(
                            choice("stores " + item.code() + " -" + quantity, item, -amount.value),
                            choice("stores " + item.code() + " +" + quantity, item, amount.value)));
        }
        return read(item, out ? -Math.abs(amount.value) : amount.value);
    }

    private Reading read(Word item, double quantity) {
        if (quantity == 0 || Math.abs(quantity) > MOST) {
            return Reading.unclear(
                    "A movement of " + Plain.number(quantity) + " " + item.unit() + " is not believable.", List.of());
        }
        return Reading.clear(
                new Order.MoveStock(item.code(), quantity),
                "Stores: %s %s %s."
                        .formatted(
                                StockUnit.counted(Math.abs(quantity), item.unit()),
                                item.name().toLowerCase(Locale.ROOT),
                                quantity < 0 ? "taken out" : "put in"));
    }

    private Choice choice(String line, Word item, double quantity) {
        return new Choice(line, read(item, quantity).words());
    }

    /** Whether a number without a sign belongs to the name of the item, as a film sheet for one size of machine has. */
    private static boolean ofItsName(Amount amount, Word item) {
        return !amount.signed
                && List.of((Names.plain(item.name()) + "-" + item.code()).split("-"))
                        .contains(Plain.number(amount.value));
    }

    private static String sign(Amount amount, List<String> tokens, boolean told) {
        boolean minus = says(OUT, tokens) || amount.value < 0;
        String quantity = Plain.number(Math.abs(amount.value));
        return minus ? "-" + quantity : (amount.signed || !told ? "+" : "") + quantity;
    }

    private static boolean saysWay(String token) {
        return OUT.contains(token.toLowerCase(Locale.ROOT)) || IN.contains(token.toLowerCase(Locale.ROOT));
    }

    private static boolean says(Set<String> way, List<String> tokens) {
        return tokens.stream().anyMatch(t -> way.contains(t.toLowerCase(Locale.ROOT)));
    }

    /** {@code gloves-10} is an item and an amount where no item is called so; {@code 10pairs} an amount and a unit. */
    private List<String> apart(List<String> typed) {
        List<String> tokens = new ArrayList<>();
        boolean way = typed.stream().anyMatch(StoresLine::saysWay);
        for (String word : withoutPlace(typed)) {
            String token = way ? counted(word) : word;
            Matcher joined = JOINED.matcher(token);
            Matcher unit = WITH_UNIT.matcher(token);
            if (joined.matches()
                    && item(token).isEmpty()
                    && LabelCode.read(token).isEmpty()) {
                tokens.addAll(List.of(joined.group(1), joined.group(2)));
            } else if (unit.matches()) {
                tokens.addAll(List.of(unit.group(1), unit.group(2)));
            } else {
                tokens.add(token);
            }
        }
        return tokens;
    }

    /** <i>In stock</i> says where, not that something came in. */
    private static List<String> withoutPlace(List<String> typed) {
        return IntStream.range(0, typed.size())
                .filter(i -> !typed.get(i).equalsIgnoreCase("in")
                        || i + 1 == typed.size()
                        || !PLACE.contains(typed.get(i + 1).toLowerCase(Locale.ROOT)))
                .mapToObj(typed::get)
                .toList();
    }

    /** A small number in words as a number. */
    private static String counted(String word) {
        String plain = word.toLowerCase(Locale.ROOT);
        if (plain.equals("a") || plain.equals("an")) {
            return "1";
        }
        return COUNTED.indexOf(plain) > 0 ? String.valueOf(COUNTED.indexOf(plain)) : word;
    }

    /** Numbers among the words, those with a sign first, then the last first: a number may be part of a name. */
    private static List<Amount> amounts(List<String> tokens) {
        return IntStream.range(0, tokens.size())
                .mapToObj(i -> {
                    Matcher m = NUMBER.matcher(tokens.get(i));
                    return m.matches()
                            ? new Amount(
                                    i,
                                    Amounts.number(m.group(2)) * (m.group(1).equals("-") ? -1 : 1),
                                    !m.group(1).isEmpty())
                            : null;
                })
                .filter(java.util.Objects::nonNull)
                .sorted(Comparator.comparing((Amount a) -> !a.signed).thenComparing(a -> -a.at))
                .toList();
    }

    private static String name(List<String> tokens, Amount amount) {
        return String.join(
                " ",
                IntStream.range(0, tokens.size())
                        .filter(i -> i != amount.at)
                        .mapToObj(tokens::get)
                        .filter(t -> !saysWay(t) && !IDLE.contains(t.toLowerCase(Locale.ROOT)))
                        .toList());
    }

    /** The item that is called so; the unit that it is counted in may stand before or behind its name. */
    private Optional<Word> item(String name) {
        Names<Word> names = QuickLine.byName(words.items());
        return names.find(name).or(() -> {
            int first = name.indexOf(' ');
            int last = name.lastIndexOf(' ');
            return first < 0
                    ? Optional.empty()
                    : names.find(name.substring(first + 1))
                            .filter(i -> isUnit(name.substring(0, first), i))
                            .or(() -> names.find(name.substring(0, last))
                                    .filter(i -> isUnit(name.substring(last + 1), i)));
        });
    }

    private static boolean isUnit(String word, Word item) {
        String unit = item.unit() == null ? "" : item.unit().toLowerCase(Locale.ROOT);
        String said = word.toLowerCase(Locale.ROOT);
        return !unit.isEmpty() && (said.equals(unit) || (said + "s").equals(unit) || said.equals(unit + "s"));
    }

    private List<Choice> choices(String name, String amount) {
        return QuickLine.byName(words.items()).nearest(name, 5).stream()
                .map(i -> "stores " + i.code() + amount)
                .flatMap(line ->
                        QuickLine.choice(line, read(List.of(line.substring(7).split(" ")), true)).stream())
                .toList();
    }
}
