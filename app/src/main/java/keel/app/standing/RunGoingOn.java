package keel.app.standing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A run that has not ended. */
@Entity
@Immutable
@Synchronize("run")
class RunGoingOn {

    @Id
    long id;

    long machineId;
    String job;
    Instant startedAt;
    int layers;

    @Column(name = "layer_exposure_s")
    double layerExposureS;

    Long profileVersionId;
}
