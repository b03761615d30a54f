package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;

/** Derived: a presumed cause that no good run has confirmed or refuted. */
@Entity
@IdClass(OpenCause.Key.class)
class OpenCause {

    record Key(long machineId, long failureId) implements Serializable {}

    @Id
    long machineId;

    @Id
    long failureId;

    String cause;

    /** Whether the machine is watched for it. */
    boolean watched;
}
