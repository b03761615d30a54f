package keel.core.stock;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;

/**
 * What procedures use up. Which item of the stores stands for it is the shop's choice; by its name one is proposed, and
 * only where no other could be meant.
 */
public enum Consumable {
    GLOVES("gloves", Set.of("glove", "gloves"), Set.of()),
    TOWELS("paper towels", Set.of("towel", "towels"), Set.of()),
    PAPER_FILTER(
            "paper filters",
            Set.of("filter", "filters"),
            Set.of("fan", "carbon", "air", "inlet", "hepa", "exhaust", "mesh", "respirator")),
    AIR_FILTER(
            "filters of the fan", Set.of("fan filter", "fan filters", "air filter", "air filters"), Set.of("carbon")),
    CARBON("carbon filters", Set.of("carbon"), Set.of()),
    CARTRIDGES("cartridges of a respirator", Set.of("cartridge", "cartridges"), Set.of("printer")),
    ALCOHOL("alcohol", Set.of("alcohol", "ipa", "isopropanol", "isopropyl", "ethanol"), Set.of());

    private static final Pattern NO_WORD = Pattern.compile("[^\\p{L}\\p{N}]+");

    private final String words;
    private final Set<String> named;
    private final Set<String> notNamed;

    Consumable(String words, Set<String> named, Set<String> notNamed) {
        this.words = words;
        this.named = named;
        this.notNamed = notNamed;
    }

    public String words() {
        return words;
    }

    /** Place in the list of the one name that says this; empty where none does, or more than one. */
    public Optional<Integer> proposed(List<String> names) {
        Integer found = null;
        for (int i = 0; i < names.size(); i++) {
            if (says(names.get(i))) {
                if (found != null) {
                    return Optional.empty();
                }
                found = i;
            }
        }
        return Optional.ofNullable(found);
    }

    private boolean says(String name) {
        String plain = " "
                + NO_WORD.matcher(name.toLowerCase(Locale.ROOT)).replaceAll(" ").strip() + " ";
        return named.stream().anyMatch(w -> plain.contains(" " + w + " "))
                && notNamed.stream().noneMatch(w -> plain.contains(" " + w + " "));
    }
}
