package keel.app.guides;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** Something that was noted at a step. */
@Entity
class GuideNote {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long sessionId;
    String step;
    String text;
    Instant at;
    Long personId;
}
