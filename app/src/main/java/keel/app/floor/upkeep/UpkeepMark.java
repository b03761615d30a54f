package keel.app.floor.upkeep;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** Upkeep that was done, left out once, or put off, at a machine, in a room or for the shop. */
@Entity
class UpkeepMark {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long ruleId;
    Long machineId;
    Long roomId;

    @Enumerated(EnumType.STRING)
    Marked kind;

    Instant at;
    Instant until;
    String note;
    long personId;
    Instant takenBackAt;
}
