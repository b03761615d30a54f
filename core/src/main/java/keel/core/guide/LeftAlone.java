package keel.core.guide;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import keel.core.standing.Caution;

/** What may have dried or cured while a guide was left alone. Common practice, no source. */
public final class LeftAlone {

    private static final Duration LONG = Duration.ofHours(6);

    private LeftAlone() {}

    /**
     * @param path the steps of this way, {@code step} the one that is next
     * @return empty where it was not left for long
     */
    public static Optional<String> words(List<Step> path, Step step, Duration left) {
        if (left.compareTo(LONG) < 0) {
            return Optional.empty();
        }
        List<Step> done = path.subList(0, Math.max(0, path.indexOf(step)));
        List<String> words = new ArrayList<>();
        words.add("Left for " + (left.toHours() < 48 ? left.toHours() + " h" : left.toDays() + " days")
                + ": look before you go on.");
        if (done.stream().anyMatch(s -> s.caution().has(Caution.Part.RESIN))) {
            words.add("Resin that stood open has skinned over and gathered dust, and cures in daylight; what was wiped "
                    + "is wiped once more.");
        }
        if (done.stream().anyMatch(s -> s.caution().has(Caution.Part.SOLVENT))) {
            words.add("Alcohol has dried off, with what it had loosened.");
        }
        if (step.seconds() != null) {
            words.add("Time this step anew.");
        }
        return Optional.of(String.join(" ", words));
    }
}
