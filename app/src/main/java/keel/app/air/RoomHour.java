package keel.app.air;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** The mean temperature of an hour, as a sensor of the room had it. */
@Entity
@Immutable
@Synchronize({"sensor", "sensor_rollup"})
@IdClass(RoomHour.Key.class)
class RoomHour {

    record Key(long sensorId, long atS) implements Serializable {}

    @Id
    long sensorId;

    @Id
    @Column(name = "at_s")
    long atS;

    long roomId;

    @Column(name = "temperature_c")
    double temperatureC;
}
