package keel.app.floor.round;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.round.ChoreKind;

/** What somebody said about a chore of the round; it holds until a moment, or until it is taken back. */
@Entity
class RoundMark {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String chore;

    @Enumerated(EnumType.STRING)
    ChoreKind kind;

    @Enumerated(EnumType.STRING)
    Said said;

    Instant at;
    Instant until;
    long personId;
    Instant takenBackAt;
}
