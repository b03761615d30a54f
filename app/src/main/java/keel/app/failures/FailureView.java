package keel.app.failures;

import java.time.Instant;
import java.util.List;
import keel.core.failure.Certainty;

/**
 * A failure as it is read.
 *
 * @param certainty a presumed cause is found once a later good print has passed the point of failure
 * @param failedAtLayer layer that the run reached, null if it ran to its end or is not known
 * @param began share of what was seen that the named cause began, judged without the verdict
 * @param photos how many photos are with it
 */
public record FailureView(
        long id,
        String machine,
        String machineName,
        Long run,
        String job,
        Instant seenAt,
        List<String> symptoms,
        List<String> absent,
        List<String> zones,
        String note,
        String cause,
        Certainty certainty,
        Instant causeAt,
        int photos,
        boolean withdrawn,
        int version,
        Integer partsPrinted,
        Integer partsLost,
        Integer failedAtLayer,
        Double began,
        Instant mendedAt) {}
