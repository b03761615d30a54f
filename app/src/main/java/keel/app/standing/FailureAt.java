package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A zone of the plate where a failure was seen. */
@Entity
@Immutable
@IdClass(FailureAt.Key.class)
@Synchronize({"failure", "failure_zone"})
class FailureAt {

    record Key(long failureId, String zone) implements Serializable {}

    @Id
    long failureId;

    @Id
    String zone;

    long machineId;
}
