package keel.app.failures;

import java.time.Instant;
import java.util.List;
import keel.core.failure.Certainty;

/**
 * A failure as it is read.
 *
 * @param photos how many photos are with it
 */
public record FailureView(long id, String machine, String machineName, Long run, String job, Instant seenAt, List<String> symptoms,
                          List<String> absent, List<String> zones, String note, String cause, Certainty certainty, Instant causeAt,
                          int photos, boolean withdrawn, int version) {}
