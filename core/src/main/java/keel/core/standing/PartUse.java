package keel.core.standing;

import keel.core.wear.Usage;

/**
 * A part that wears, with what it has been through.
 *
 * @param part  what it is
 * @param name  its name in the shop, such as "Film F14"
 * @param usage since it was new, baseline included
 */
public record PartUse(Part part, String name, Usage usage) {

    /** Parts with a life, and the prefix of their defaults. */
    public enum Part {
        FILM("film", false), TANK("tank", false), SCREEN("screen", true), LIGHT("light", false);

        private final String prefix;
        private final boolean uvClock;

        Part(String prefix, boolean uvClock) {
            this.prefix = prefix;
            this.uvClock = uvClock;
        }

        public String prefix() {
            return prefix;
        }

        /** Whether its life runs in UV hours rather than print hours. */
        public boolean uvClock() {
            return uvClock;
        }
    }

    /** Age on the clock of its life, h. */
    public double age() {
        return part.uvClock() ? usage.uvHours() : usage.hours();
    }
}
