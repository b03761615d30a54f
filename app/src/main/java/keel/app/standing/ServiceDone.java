package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.standing.ServiceKind;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A service that was done, with what is asked of it most. */
@Entity
@Immutable
@Synchronize("service")
class ServiceDone {

    @Id
    long id;

    @Enumerated(EnumType.STRING)
    ServiceKind kind;

    Long machineId;
    Long vatId;
    Instant at;
    boolean clean;
    boolean emptied;
    boolean leak;
    boolean sieved;
    boolean deburred;
    String firmware;
    boolean readings;
    Double resinLeftMl;
    Double lostMl;
    Long lostResinId;
    Instant dryingUntil;
    String note;
}
