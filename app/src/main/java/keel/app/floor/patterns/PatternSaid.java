package keel.app.floor.patterns;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** What somebody said of a pattern. */
@Entity
class PatternSaid {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String pattern;

    @Enumerated(EnumType.STRING)
    Verdict said;

    String reason;
    Instant at;
    Long personId;
}
