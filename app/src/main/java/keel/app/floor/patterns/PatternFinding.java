package keel.app.floor.patterns;

import java.time.Instant;
import java.util.List;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.Trait;

/**
 * Something that the failures say.
 *
 * @param key by which it is known again
 * @param kind the trait by which its prints are told, CHANGE, or RUNNING for a chart that is over its limit
 * @param group of its prints
 * @param what name of that group
 * @param own its prints, {@code rest} those that it is held against: all others, or those before it turned
 * @param perYear money a year that its further failures cost, with the 95 % interval
 * @param since from when on, null where it was so all along
 * @param because what speaks for it, what was tried to explain it away, and what stands just before it
 * @param advice what to do
 */
public record PatternFinding(
        String key,
        String kind,
        Group group,
        String what,
        String text,
        Counts own,
        Counts rest,
        Money perYear,
        Instant since,
        double p,
        List<Reason> because,
        Advice advice) {

    static final String CHANGE = "CHANGE";
    static final String RUNNING = "RUNNING";

    /** Key of a row of failed prints: RUNNING:curlew:1741788000 for a machine, RUNNING-RESIN:grey:1741788000 else. */
    static String running(Group group, Instant since) {
        return (group.trait() == Trait.MACHINE
                        ? RUNNING
                        : RUNNING + "-" + group.trait().name()) + ":" + group.value() + ":" + since.getEpochSecond();
    }

    /** Money a year. */
    public record Money(double likely, double low, double high) {}

    /** Something that speaks for it; a path where it can be looked at, else null. */
    public record Reason(String text, String path) {}

    /** What to do, and where. */
    public record Advice(String text, String label, String path) {}

    /** Where evidence of it lies for whoever made or sold it; null where nobody did. */
    public String evidence() {
        return switch (group.trait()) {
            case MACHINE -> Wording.path("/evidence/machine/{c}", group.value());
            case FILM, SCREEN -> Wording.path("/evidence/part/{c}", group.value());
            case FILM_PACK -> Wording.path("/evidence/pack/{c}", group.value());
            case BOTTLE -> Wording.path("/evidence/bottle/{c}", group.value());
            default -> null;
        };
    }

    public boolean turned() {
        return since != null;
    }
}
