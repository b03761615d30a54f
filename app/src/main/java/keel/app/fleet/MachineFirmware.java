package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** The firmware that was put on a machine last. */
@Entity
@Immutable
@Synchronize("service")
class MachineFirmware {

    @Id
    long machineId;

    String firmware;
}
