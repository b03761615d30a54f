package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What a machine did since it is on record, and what is in its vat. */
@Entity
@Immutable
@Synchronize({"machine", "machine_standing", "meter"})
class MachineDone {

    @Id
    long machineId;

    String resin;
    Double hours;
    Long layers;
}
