package keel.app.prints;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** A thickness test or caliper readings, as they were measured; {@code content} as JSON. */
@Entity
@Immutable
@Table(name = "calibration")
class CalibrationRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long profileId;
    String kind;
    Instant at;
    long personId;

    @Lob
    String content;

    String result;
}
