package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A room with machines in it. */
@Entity
class Room {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    String name;
    Instant retiredAt;

    /** Whether prints may go on while nobody is there; null while nobody said. */
    Boolean nightRuns;
}
