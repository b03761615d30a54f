package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.app.fleet.ComponentKind;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.wear.Usage;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A part that is or was: on a machine, on the shelf, ended. */
@Entity
@Immutable
@Synchronize({"component", "fitting", "machine", "machine_model", "meter", "part_model_fits"})
class PartEver {

    @Id
    long id;

    int number;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    String code;

    /** Code of the model that it fits or fitted; null where nobody knows. */
    String model;

    String modelName;

    @Enumerated(EnumType.STRING)
    MachineKind machineKind;

    String machine;
    String vat;
    Instant fittedAt;
    Instant endedAt;
    String endReason;
    double hours;
    double uvHours;
    long layers;
    boolean known;
    String place;
    String lastVat;
    boolean fitted;

    /** Machine that it was on when it ended. */
    Long endedOn;

    EveryPart.Ended end() {
        return new EveryPart.Ended(
                code, PartUse.UsedPart.valueOf(name()), endedAt, endedOn, new Usage(hours, uvHours, layers, 0, 0));
    }

    private String name() {
        return kind == ComponentKind.FILM && machineKind == MachineKind.LASER_TANK ? "TANK" : kind.name();
    }

    EveryPart.Part view() {
        return new EveryPart.Part(
                code, name(), model, machine, vat, fittedAt, endedAt, endReason, hours, uvHours, layers, known);
    }
}
