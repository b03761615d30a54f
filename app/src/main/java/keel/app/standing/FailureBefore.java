package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A failure with the next start on its machine, null while there was none. */
@Entity
@Immutable
@Synchronize({"failure", "run"})
class FailureBefore {

    @Id
    long id;

    long machineId;
    String cause;
    Instant seenAt;
    Instant nextStart;

    /** Whether it showed itself in the last print before that moment. */
    boolean inLastPrintBefore(Instant end) {
        return !seenAt.isAfter(end) && (nextStart == null || !nextStart.isBefore(end));
    }
}
