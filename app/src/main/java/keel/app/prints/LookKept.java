package keel.app.prints;

import java.time.Duration;
import java.time.Instant;

/**
 * A look that was due while a print went on.
 *
 * @param lookedAt null where nobody looked
 */
public record LookKept(Instant dueAt, Instant lookedAt) {

    private static final Duration LATE = Duration.ofMinutes(30);

    public boolean missed() {
        return lookedAt == null;
    }

    /** More than half an hour. */
    public boolean late() {
        return lookedAt != null && lookedAt.isAfter(dueAt.plus(LATE));
    }
}
