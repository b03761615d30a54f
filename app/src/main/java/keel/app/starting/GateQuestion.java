package keel.app.starting;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.gate.GateItem;

/** A question that the shop adds to the start gate. */
@Entity
class GateQuestion {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String text;

    @Enumerated(EnumType.STRING)
    GateItem.GatePart part;

    String kinds;
    Instant madeAt;
    long personId;
    Instant retiredAt;
}
