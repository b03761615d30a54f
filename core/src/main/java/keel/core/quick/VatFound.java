package keel.core.quick;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/** What somebody found wrong with a vat and its film, in a word, as a cause of the knowledge; common practice. */
final class VatFound {

    private static final Map<String, String> CAUSES = Map.of(
            "hole", "film-pierced",
            "leak", "film-pierced",
            "leaks", "film-pierced",
            "leaking", "film-pierced",
            "pierced", "film-pierced",
            "spill", "spill",
            "splash", "spill",
            "bits", "debris-on-film",
            "dirty", "debris-on-film",
            "slack", "film-slack");
    private static final Set<String> IDLE =
            Set.of("in", "with", "found", "inspected", "under", "looks", "film", "some");

    private VatFound() {}

    /** The one cause that the words name; null if they name none, several, or say something else too. */
    static String cause(List<String> words) {
        Set<String> said = words.stream()
                .map(w -> w.toLowerCase(Locale.ROOT))
                .filter(w -> !IDLE.contains(w))
                .collect(Collectors.toSet());
        Set<String> causes = said.stream().map(w -> CAUSES.getOrDefault(w, "")).collect(Collectors.toSet());
        return causes.size() == 1 && !causes.contains("") ? causes.iterator().next() : null;
    }
}
