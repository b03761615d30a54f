package keel.app.air;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import jakarta.persistence.Table;
import java.io.Serializable;
import java.time.Instant;
import keel.core.air.SensorReading;
import org.hibernate.annotations.Immutable;

/** What a sensor read; {@code atS} in seconds since 1970. */
@Entity
@Immutable
@Table(name = "sensor_reading")
@IdClass(SensorReadingRecord.Key.class)
class SensorReadingRecord {

    record Key(long sensorId, long atS) implements Serializable {}

    @Id
    long sensorId;

    @Id
    @Column(name = "at_s")
    long atS;

    Double tvoc;

    @Column(name = "temperature_c")
    Double temperatureC;

    Double humidityPercent;

    SensorReading reading() {
        return new SensorReading(Instant.ofEpochSecond(atS), tvoc, temperatureC, humidityPercent);
    }
}
