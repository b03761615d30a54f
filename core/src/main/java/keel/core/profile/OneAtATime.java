package keel.core.profile;

import java.util.List;
import java.util.Locale;
import keel.core.Finding;
import keel.core.profile.ProfileSettings.Change;

/**
 * One setting is changed at a time, so that it shows which one helped; more than one asks why. Common practice, no
 * source.
 */
public final class OneAtATime {

    private OneAtATime() {}

    /** What forbids such a change, nothing where it may be made. */
    public static List<Finding> findings(List<Change> changes, String why) {
        if (changes.isEmpty()) {
            return List.of(new Finding("", "Nothing is changed."));
        }
        if (changes.size() == 1 || why != null && !why.isBlank()) {
            return List.of();
        }
        return List.of(new Finding(
                "why",
                "These change at once: " + names(changes)
                        + ". One at a time shows which one helped. If they belong together, say why."));
    }

    private static String names(List<Change> changes) {
        List<String> names = changes.stream()
                .map(c -> c.setting().label().toLowerCase(Locale.ROOT))
                .toList();
        return String.join(", ", names.subList(0, names.size() - 1)) + " and " + names.get(names.size() - 1);
    }
}
