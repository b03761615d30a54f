package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A model of machine that a model of part fits. */
@Entity
@Immutable
@Synchronize("part_model_fits")
@IdClass(PartModelFit.Key.class)
class PartModelFit {

    record Key(long partModelId, long machineModelId) implements Serializable {}

    @Id
    long partModelId;

    @Id
    long machineModelId;
}
