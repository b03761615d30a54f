package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A component on its carrier, from one moment to another; follows from services. */
@Entity
class Fitting {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long componentId;
    Long machineId;
    Long vatId;
    Instant fittedAt;
    Instant removedAt;
    Long fittedBy;
    Long removedBy;
}
