package keel.core.stock;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import keel.core.Plain;

/** What stores are counted in. A unit of the shop's own is a word and no more: nothing is guessed from its letters. */
public enum StockUnit {
    PIECES("pieces", 0, Set.of("piece", "pcs", "pc")),
    PAIRS("pairs", 0, Set.of("pair")),
    SHEETS("sheets", 0, Set.of("sheet")),
    PACKS("packs", 0, Set.of("pack", "packet", "packets")),
    BOXES("boxes", 0, Set.of("box")),
    ROLLS("rolls", 0, Set.of("roll")),
    BOTTLES("bottles", 0, Set.of("bottle")),
    LITRES("litres", 1000, Set.of("l", "litre", "liter", "liters", "ltr")),
    MILLILITRES("ml", 1, Set.of("millilitre", "millilitres", "milliliter", "milliliters")),
    KILOGRAMS("kg", 0, Set.of("kilogram", "kilograms", "kilo", "kilos")),
    GRAMS("g", 0, Set.of("gram", "grams")),
    METRES("m", 0, Set.of("metre", "metres", "meter", "meters"));

    private final String word;
    private final double ml;
    private final Set<String> also;

    StockUnit(String word, double ml, Set<String> also) {
        this.word = word;
        this.ml = ml;
        this.also = also;
    }

    public String word() {
        return word;
    }

    /** The words of all, in the order in which a form offers them. */
    public static List<String> words() {
        return Arrays.stream(values()).map(StockUnit::word).toList();
    }

    /** The unit that a word names; empty for a word of the shop's own. */
    public static Optional<StockUnit> of(String word) {
        String plain = word.strip().toLowerCase(Locale.ROOT);
        return Arrays.stream(values())
                .filter(u -> u.word.equals(plain) || u.also.contains(plain))
                .findFirst();
    }

    /** As in "1 bottle" and "2 bottles", for words of the shop's own too. */
    public static String counted(double number, String word) {
        return Plain.number(number) + " " + (Math.abs(number) == 1 ? one(word) : word);
    }

    private static String one(String word) {
        boolean several = word.length() > 3 && word.endsWith("s") && !word.endsWith("ss");
        return !several ? word : word.substring(0, word.length() - (word.endsWith("xes") ? 2 : 1));
    }

    /** Millilitres in one of it; empty where it is no volume. */
    public static Optional<Double> millilitresIn(String word) {
        return of(word).filter(u -> u.ml > 0).map(u -> u.ml);
    }
}
