package keel.core.standing;

import java.time.Instant;
import java.util.List;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import org.jspecify.annotations.Nullable;

/** What was seen and measured of a part, and what follows for a print; it outweighs what is usual at its age. */
public interface PartCondition {

    /**
     * Chance that the part spoils or ends a usual job.
     *
     * @param byAge chance that it ends in it as far as its age alone tells
     * @param printHours of the job
     * @param uvHours of the job
     */
    double failsWithin(double byAge, double printHours, double uvHours);

    /** The same of a job that needs so much detail. */
    default double failsWithin(double byAge, double printHours, double uvHours, Detail detail) {
        return failsWithin(byAge, printHours, uvHours);
    }

    /**
     * Chance that it has ended after so many print hours: nobody would print a usual job with it any more.
     *
     * @param byAge chance that it ends in them as far as its age alone tells
     */
    double ended(double byAge, double printHours, double uvHours);

    /** The same as far as it matters to a job that covers these parts of the plate; none where nobody says. */
    default PartCondition under(List<PlacedPart> job) {
        return this;
    }

    /** What was seen of it last, in a few words. */
    String words();

    /** When somebody looked last; null where nobody did, and something else is known. */
    @Nullable
    Instant lookedAt();
}
