package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A guide that was gone through. */
@Entity
@Immutable
@Synchronize("guide_session")
class GuideDone {

    @Id
    long id;

    String procedureCode;
    Long machineId;
    Instant startedAt;
    Instant finishedAt;
}
