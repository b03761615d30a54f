package keel.core.watch;

import java.time.Instant;

/**
 * A time at which somebody looks at a print that is going on.
 *
 * @param layer about where the print is then
 */
public record LookIn(LookKind kind, Instant due, int layer) {

    /** Why then. */
    public enum LookKind {
        FIRST_LAYERS("The first layers are done"),
        CLEARS_RESIN("The part clears the resin"),
        INTERVAL("Another look");

        private final String words;

        LookKind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
