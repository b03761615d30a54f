package keel.app.standing;

import java.time.Instant;
import java.util.List;

/** Failures of a machine whose cause is not named yet: work at the bench may answer one of their checks. */
public interface OpenCases {

    /** The latest few, newest first. */
    List<OpenCase> of(String machine);

    /** @param job what was printed; null where no run is on record */
    record OpenCase(long id, Instant seenAt, String job) {}
}
