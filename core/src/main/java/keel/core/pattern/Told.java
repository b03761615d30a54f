package keel.core.pattern;

import java.time.Instant;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A print as patterns are looked for in it. Failed reprints of a job are no prints here: a chain counts once.
 *
 * @param at when it began
 * @param traits what is known of it; a trait that is not known is left out
 */
public record Told(long id, Instant at, boolean failed, Map<Trait, String> traits) {

    public Told {
        traits = Map.copyOf(traits);
    }

    public @Nullable String is(Trait trait) {
        return traits.get(trait);
    }
}
