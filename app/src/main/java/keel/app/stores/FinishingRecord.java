package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** A print on its way from the plate to the finished part. */
@Entity
@Table(name = "finishing")
class FinishingRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long runId;
    String supports;
    Long firstBathId;
    Instant firstAt;
    Long secondBathId;
    Instant secondAt;
    Double resinMl;
    Instant dryAt;
    String drying;
    Instant cureAt;
    Instant doneAt;

    @Enumerated(EnumType.STRING)
    Finishing.Finish finish;

    long personId;
}
