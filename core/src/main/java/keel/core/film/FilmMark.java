package keel.core.film;

import java.util.Locale;
import keel.core.Findings;

/**
 * A dent or scratch in a film, where it lies as seen from above.
 *
 * @param xMm from the left edge of the plate
 * @param yMm from its front edge
 * @param sizeMm its length
 */
public record FilmMark(MarkKind kind, double xMm, double yMm, double sizeMm) {

    /** What can be wrong at one place of a film. */
    public enum MarkKind {
        DENT("Dent"),
        SCRATCH("Scratch"),
        HAZE("Hazy patch"),
        HOLE("Hole");

        private final String words;

        MarkKind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** So many of them, such as "2 scratches". */
        public String counted(long n) {
            String several = this == SCRATCH || this == HAZE ? "es" : "s";
            return n + " " + words.toLowerCase(Locale.ROOT) + (n == 1 ? "" : several);
        }
    }

    /** Adds what cannot be on a plate of that size; a mark may lie a little beside it, on the film's rim. */
    public void check(double plateWidthMm, double plateDepthMm, Findings findings) {
        findings.range(xMm, -40, plateWidthMm + 40, "marks", "A mark's distance from the left", "mm");
        findings.range(yMm, -40, plateDepthMm + 40, "marks", "A mark's distance from the front", "mm");
        findings.range(sizeMm, 0.1, 300, "marks", "A mark's size", "mm");
    }
}
