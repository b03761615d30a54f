package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import java.time.Instant;

/** What a run covered of its plate, as JSON. */
@Entity
class RunFootprint {

    @Id
    long runId;

    @Lob
    String content;

    Instant madeAt;
    long personId;

    /** Zones that it covers, as bits; null where that was not worked out yet. */
    Integer zones;
}
