package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A presumed cause that no print has borne out yet. */
@Entity
@Immutable
@Synchronize("open_cause")
@IdClass(CauseOpen.Key.class)
class CauseOpen {

    record Key(long machineId, long failureId) implements Serializable {}

    @Id
    long machineId;

    @Id
    long failureId;

    String cause;
}
