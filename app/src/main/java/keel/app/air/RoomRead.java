package keel.app.air;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A reading taken by hand. */
@Entity
@Immutable
@Synchronize("room_reading")
class RoomRead {

    @Id
    long id;

    long roomId;
    Instant at;

    @Column(name = "temperature_c")
    double temperatureC;
}
