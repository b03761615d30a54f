package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.failure.Certainty;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A failure that was logged. */
@Entity
@Immutable
@Synchronize("failure")
class FailureSeen {

    @Id
    long id;

    long machineId;
    Long runId;
    Instant seenAt;
    String cause;

    @Enumerated(EnumType.STRING)
    Certainty certainty;

    Instant causeAt;
    Integer partsPrinted;
    Integer partsLost;
    Double began;
    Double explains;
    Instant mendedAt;
}
