package keel.app.floor.find;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A run, for whoever looks for it. */
@Entity
@Immutable
@Table(name = "run_fact")
@Synchronize("run")
class FoundRun {

    @Id
    long id;

    long machineId;
    String job;
    Instant startedAt;
}
