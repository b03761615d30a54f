package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A failure of which a check found the cause that was named. */
@Entity
@Immutable
@Synchronize({"failure", "failure_check"})
class CauseChecked {

    @Id
    long failureId;

    long machineId;
}
