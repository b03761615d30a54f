package keel.core.begin;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Names that are typed in one field, and names that the quick line cannot tell apart by a letter. */
public final class Names {

    private Names() {}

    /** Names between commas, semicolons or lines; each once, whatever its capitals, in the order in which they came. */
    public static List<String> of(@Nullable String typed) {
        Map<String, String> once = new LinkedHashMap<>();
        Stream.of((typed == null ? "" : typed).split("[,;\\r\\n\\t]+"))
                .map(n -> n.strip().replaceAll("\\s+", " "))
                .filter(n -> !n.isEmpty())
                .forEach(n -> once.putIfAbsent(n.toLowerCase(Locale.ROOT), n));
        return List.copyOf(once.values());
    }

    /** Those that begin with the same letter, a group each; a name that is alone with its letter is in none. */
    public static List<List<String>> alike(List<String> names) {
        Map<String, List<String>> byLetter = new TreeMap<>();
        for (String name : names) {
            if (!name.isBlank()) {
                String letter = name.strip().substring(0, 1).toLowerCase(Locale.ROOT);
                byLetter.computeIfAbsent(letter, l -> new ArrayList<>()).add(name);
            }
        }
        return byLetter.values().stream().filter(g -> g.size() > 1).toList();
    }
}
