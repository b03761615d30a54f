package keel.app.standing;

import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;
import java.time.Instant;
import keel.app.fleet.ComponentKind;
import keel.core.wear.Usage;

/** A part with where it is now and what it has been through, baseline included. */
@MappedSuperclass
abstract class PartWithUse {

    @Id
    long id;

    /** Null where it is on no machine. */
    Long machineId;

    int number;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    String code;
    String model;
    String material;
    Double thicknessMm;
    String serial;
    Instant since;

    /** Null where it is fitted nowhere. */
    Instant fittedAt;

    Instant endedAt;
    String endReason;
    String carrier;
    String carrierName;
    String vatMachine;
    String film;
    double hours;
    double uvHours;
    long layers;
    long prints;
    double resinMl;

    PartView view() {
        return new PartView(
                id,
                kind,
                code,
                model,
                material,
                thicknessMm,
                serial,
                since,
                endedAt,
                endReason,
                carrier,
                carrierName,
                vatMachine,
                film,
                new Usage(hours, uvHours, layers, prints, resinMl));
    }
}
