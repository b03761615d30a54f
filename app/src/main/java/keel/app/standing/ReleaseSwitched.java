package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A release that was switched during a run. */
@Entity
@Immutable
@Synchronize("run_release")
class ReleaseSwitched {

    @Id
    long id;

    long runId;
    int fromLayer;
    boolean slow;
}
