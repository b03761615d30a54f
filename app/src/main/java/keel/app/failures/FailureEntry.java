package keel.app.failures;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;

/**
 * A failure as somebody enters it.
 *
 * @param run id of the run it happened to, or null
 * @param absent codes of symptoms that were looked for and were not there
 * @param zones places on the plate: A to F from left to right, 1 to 4 from front to back
 */
public record FailureEntry(
        String machine,
        Long run,
        Instant seenAt,
        List<String> symptoms,
        List<String> absent,
        List<String> zones,
        String note) {

    public FailureEntry {
        symptoms = symptoms == null ? new ArrayList<>() : new ArrayList<>(symptoms);
        absent = absent == null ? new ArrayList<>() : new ArrayList<>(absent);
        zones = zones == null ? new ArrayList<>() : new ArrayList<>(zones);
    }
}
