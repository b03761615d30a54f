package keel.app.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A model of machine, for whoever has to name or measure it. */
@Entity
@Immutable
@Synchronize("machine_model")
class ModelCard {

    @Id
    long id;

    String code;
    String name;

    @Enumerated(EnumType.STRING)
    MachineKind kind;

    double plateWidthMm;
    double plateDepthMm;
    double plateHeightMm;

    @Column(name = "pixels_x")
    Integer pixelsX;

    @Column(name = "pixels_y")
    Integer pixelsY;

    Double fillLineMl;
    boolean selfLevelling;
    boolean wholeAreaLight;

    @Enumerated(EnumType.STRING)
    LevelJoint levelJoint;

    Double windowLengthMm;
    Double windowWidthMm;
    Instant retiredAt;
}
