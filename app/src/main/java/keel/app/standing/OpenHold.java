package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import keel.core.standing.Hold;
import keel.core.standing.HoldCode;
import keel.core.standing.ServiceKind;

/** Derived: a hold that is open; {@code code} is that of the hold. */
@Entity
@IdClass(OpenHold.Key.class)
class OpenHold {

    record Key(long machineId, String code) implements Serializable {}

    @Id
    long machineId;

    @Id
    String code;

    int rank;
    Instant since;
    String text;

    @Enumerated(EnumType.STRING)
    ServiceKind nextService;

    Hold hold() {
        return new Hold(HoldCode.of(code), since, text, nextService);
    }
}
