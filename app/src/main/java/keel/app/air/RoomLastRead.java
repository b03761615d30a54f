package keel.app.air;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What somebody read last in a room; null where nobody did. */
@Entity
@Immutable
@Synchronize({"room", "room_reading"})
class RoomLastRead {

    @Id
    Long roomId;

    Long readingId;
}
