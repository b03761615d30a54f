package keel.core.life;

import java.util.Set;
import keel.core.wear.Usage;

/**
 * What a part has been through, and why it ended. Which ends count, and which come with use, is common practice, no
 * source.
 *
 * @param endReason as a service names it; null while it is in service
 * @param known whether what it had been through before it came on record is known; where it is not, its usage is the
 *     least that it can be, and its end tells only that it lasted longer
 * @param inPrint whether the last print on it failed by it; false where it was taken out by its looks, by plan, or
 *     lives on
 */
public record Lived(Usage usage, String endReason, boolean inPrint, boolean known) {

    /** Ends that say nothing of how long such a part lasts. */
    private static final Set<String> NOT_BY_ITSELF = Set.of("PLANNED", "OTHER");
    /** Ends that come with use; all others come by accident. */
    private static final Set<String> BY_WEAR = Set.of("CLOUDED", "SLACK", "DARK_PIXELS", "LIT_PIXELS");

    private static final String WHATEVER = "WHATEVER";

    /** One whose whole life is known. */
    public Lived(Usage usage, String endReason, boolean inPrint) {
        this(usage, endReason, inPrint, true);
    }

    /** The same where every end counts, whatever its reason: for each another part is needed. */
    public Lived whateverEndedIt() {
        return new Lived(usage, endReason == null ? null : WHATEVER, inPrint, known);
    }

    public double age(LifeClock clock) {
        return clock.of(usage);
    }

    /** Whether it ended by what is studied, rather than lives on or was taken out for another reason. */
    public boolean endedByItself() {
        return known && endReason != null && !NOT_BY_ITSELF.contains(endReason);
    }

    /** Whether it ended with use. */
    public boolean worn() {
        return endReason != null && BY_WEAR.contains(endReason);
    }
}
