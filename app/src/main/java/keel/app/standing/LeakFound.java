package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A check that found resin where it should not be. */
@Entity
@Immutable
@Synchronize({"failure", "failure_check"})
class LeakFound {

    @Id
    long id;

    Instant at;
    long machineId;
}
