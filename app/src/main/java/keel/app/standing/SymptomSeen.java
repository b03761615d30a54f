package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A symptom that was there. */
@Entity
@Immutable
@Synchronize({"failure", "failure_symptom"})
@IdClass(SymptomSeen.Key.class)
class SymptomSeen {

    record Key(long failureId, String symptom) implements Serializable {}

    @Id
    long failureId;

    @Id
    String symptom;

    long machineId;
    Long runId;
    Instant seenAt;
}
