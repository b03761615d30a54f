package keel.app.floor.bring;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.bring.BringKind;

/** A table that was brought in. */
@Entity
class Brought {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    BringKind kind;

    String fileName;
    Instant at;
    Long personId;
    Instant takenBackAt;
}
