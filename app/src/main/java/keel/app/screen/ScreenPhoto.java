package keel.app.screen;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import java.time.Instant;
import keel.core.screen.TestPattern;

/** A photograph of a screen and what was found on it, as JSON. */
@Entity
class ScreenPhoto {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long machineId;
    long componentId;

    @Enumerated(EnumType.STRING)
    TestPattern pattern;

    String hash;
    int width;
    int height;

    @Lob
    String content;

    Instant at;
    long personId;
    Long serviceId;
}
