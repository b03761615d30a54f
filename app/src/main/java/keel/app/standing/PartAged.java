package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.app.fleet.ComponentKind;
import keel.core.life.Lived;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.wear.Usage;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A film or screen with the model that it serves, what it has been through, and where it was last. */
@Entity
@Immutable
@Synchronize({"component", "fitting", "machine", "machine_model", "meter", "part_model_fits"})
class PartAged {

    @Id
    long id;

    int number;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    String code;

    /** Null where it was never fitted and nobody said what it fits. */
    String model;

    @Enumerated(EnumType.STRING)
    MachineKind machineKind;

    double hours;
    double uvHours;
    long layers;
    Instant endedAt;
    String endReason;
    String place;

    /** Code of the vat that it was in last; null for a screen. */
    String vat;

    boolean fitted;
    boolean known;

    /** Machine that it was on when it ended. */
    Long endedOn;

    PartLives.PartAge age(boolean inPrint) {
        PartUse.UsedPart part = kind == ComponentKind.SCREEN
                ? PartUse.UsedPart.SCREEN
                : machineKind == MachineKind.LASER_TANK ? PartUse.UsedPart.TANK : PartUse.UsedPart.FILM;
        return new PartLives.PartAge(
                code,
                part,
                model,
                new Lived(new Usage(hours, uvHours, layers, 0, 0), endedAt == null ? null : endReason, inPrint, known),
                endedAt,
                place,
                fitted);
    }
}
