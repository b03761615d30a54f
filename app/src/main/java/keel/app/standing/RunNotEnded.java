package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A run that goes on, or was taken back. */
@Entity
@Immutable
@Synchronize("run")
class RunNotEnded {

    @Id
    long id;

    long machineId;
    String job;
    Instant startedAt;
}
