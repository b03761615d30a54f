package keel.app.fleet;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.bolts.VatFrame;
import keel.core.resin.VatSize;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;

/** A model of machine: what all machines of it have in common. */
@Entity
class MachineModel {

    /** How a layer is freed from the film. */
    enum Release {
        PEEL,
        TILT,
        SLIDE
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

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

    @Enumerated(EnumType.STRING)
    Release releaseKind;

    boolean selfLevelling;
    boolean resinSensing;
    boolean zeroAtTop;
    boolean selfFilling;
    boolean wholeAreaLight;

    @Enumerated(EnumType.STRING)
    LevelJoint levelJoint;

    Double fillLineMl;
    Double windowLengthMm;
    Double windowWidthMm;
    Integer clampRing;
    Integer clampLong;
    Integer clampShort;
    Integer frameLong;
    Integer frameShort;
    Double vatLengthMm;
    Double vatWidthMm;
    Double vatDepthMm;
    Instant retiredAt;

    VatSize vat() {
        return new VatSize(vatLengthMm, vatWidthMm, vatDepthMm);
    }

    VatFrame frame() {
        return new VatFrame(windowLengthMm, windowWidthMm, clampRing, clampLong, clampShort, frameLong, frameShort);
    }
}
