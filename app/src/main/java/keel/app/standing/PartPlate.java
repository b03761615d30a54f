package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** The plate that a film or screen serves. */
@Entity
@Immutable
@Synchronize({"component", "fitting", "machine", "machine_model"})
class PartPlate {

    @Id
    long partId;

    long modelId;
    double plateWidthMm;
    double plateDepthMm;
}
