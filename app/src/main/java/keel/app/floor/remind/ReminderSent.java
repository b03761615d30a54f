package keel.app.floor.remind;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A reminder that went out by mail, or would have. */
@Entity
class ReminderSent {

    /** What became of it: {@code KEPT} where no server is named. */
    enum Outcome {
        SENT,
        KEPT,
        FAILED
    }

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long personId;
    String chore;
    String what;
    Instant at;
    boolean passedOn;

    @Enumerated(EnumType.STRING)
    Outcome outcome;

    String why;
}
