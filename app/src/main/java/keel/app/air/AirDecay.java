package keel.app.air;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** How fast the air of a room really changed, from one fall after a release. */
@Entity
@Immutable
@IdClass(AirDecay.Key.class)
class AirDecay {

    record Key(long roomId, Instant at) implements Serializable {}

    @Id
    long roomId;

    @Id
    Instant at;

    Double changesPerHour;
    Double low;
    Double high;
    String why;
}
