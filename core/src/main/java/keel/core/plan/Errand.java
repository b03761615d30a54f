package keel.core.plan;

import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Something to be done on a round.
 *
 * @param minutes that it takes
 * @param costPerHour what an hour of waiting costs until it is done
 * @param release minute from which it can be begun
 * @param deadline minute by which it should be done, null where there is none
 * @param place where it is done, null where that makes no difference
 * @param after ids of what must be done before
 * @param unlocks what waits until the last errand that unlocks it is done, null for nothing
 * @param tail minutes after it in which somebody must still be there: what goes into a bath must come out of it
 */
public record Errand(
        String id,
        double minutes,
        double costPerHour,
        double release,
        @Nullable Double deadline,
        @Nullable String place,
        Set<String> after,
        @Nullable String unlocks,
        double tail) {

    /** One after which nobody has to be there. */
    public Errand(
            String id,
            double minutes,
            double costPerHour,
            double release,
            @Nullable Double deadline,
            @Nullable String place,
            Set<String> after,
            @Nullable String unlocks) {
        this(id, minutes, costPerHour, release, deadline, place, after, unlocks, 0);
    }

    /** One that can be begun at once and anywhere. */
    public Errand(String id, double minutes, double costPerHour) {
        this(id, minutes, costPerHour, 0, null, null, Set.of(), null);
    }
}
