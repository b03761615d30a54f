package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;

/** Derived: how a machine stands, from its facts. */
@Entity
class MachineStanding {

    @Id
    long machineId;

    Instant offSince;
    boolean holdToLight;
    Instant levelledAt;
    boolean lubricationKnown;
    boolean abradingKnown;
    boolean vatKnown;
    Long vatId;
    String vatResin;
    double vatMl;
    Instant stopGapSince;
    Double stopGapHours;
}
