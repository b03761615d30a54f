package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.LocalDate;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** By what a maker knows a machine, as far as it was written down. */
@Entity
@Immutable
@Synchronize({"machine", "service"})
class MachineIdentity {

    @Id
    long id;

    String code;
    String serial;
    LocalDate boughtOn;
    LocalDate warrantyUntil;
    String firmware;
}
