package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What was known of a machine when it came; null where nobody said. */
@Entity
@Immutable
@Synchronize("machine")
class MachineBefore {

    @Id
    long machineId;

    Double lubricatedBeforeHours;
    Double abradedBeforeHours;
    boolean vatSaidEmpty;
}
