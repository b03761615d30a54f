package keel.app.floor;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.standing.Baseline;

/** A baseline that this shop cannot take: it has no meter, or no microphone. */
@Entity
class BaselineWaived {

    @Id
    @Enumerated(EnumType.STRING)
    Baseline about;

    Instant at;
    long personId;
}
