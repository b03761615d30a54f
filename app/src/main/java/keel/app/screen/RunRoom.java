package keel.app.screen;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** How warm it was in the room of a run that has ended, by the last reading before its end; null where none is near. */
@Entity
@Immutable
@Synchronize({"run", "machine", "room_reading"})
class RunRoom {

    @Id
    long runId;

    @Column(name = "room_c")
    Double roomC;
}
