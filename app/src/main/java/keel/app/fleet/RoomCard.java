package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A room, for whoever has to name it. */
@Entity
@Immutable
@Synchronize("room")
class RoomCard {

    @Id
    long id;

    String code;
    String name;
    Instant retiredAt;
}
