package keel.app.standing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.run.Detail;
import keel.core.run.Outcome;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A run as it is on record, and what it really did up to the layer it reached; null while it goes on. */
@Entity
@Immutable
@Synchronize("run")
class RunFact {

    @Id
    long id;

    long machineId;
    String job;
    Instant startedAt;
    Instant endedAt;
    int layers;

    @Column(name = "layer_exposure_s")
    double layerExposureS;

    double resinMl;

    @Enumerated(EnumType.STRING)
    Outcome outcome;

    Integer reachedLayer;
    Long profileVersionId;
    Long againOf;
    int period;
    String jobKey;
    Double hours;
    Long peels;
    Double uvHours;
    Double usedMl;
    Boolean cameOut;

    @Enumerated(EnumType.STRING)
    Detail detail;
}
