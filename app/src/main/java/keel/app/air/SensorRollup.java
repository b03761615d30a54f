package keel.app.air;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** Readings of a sensor taken together over a span of seconds. */
@Entity
@Immutable
@IdClass(SensorRollup.Key.class)
class SensorRollup {

    record Key(long sensorId, int spanS, long atS) implements Serializable {}

    @Id
    long sensorId;

    @Id
    @Column(name = "span_s")
    int spanS;

    @Id
    @Column(name = "at_s")
    long atS;

    int n;
    Double tvoc;
    Double tvocMax;

    @Column(name = "temperature_c")
    Double temperatureC;

    Double temperatureMin;
    Double temperatureMax;
    Double humidityPercent;

    Sensors.Point point() {
        return new Sensors.Point(
                Instant.ofEpochSecond(atS),
                tvoc,
                tvocMax,
                temperatureC,
                temperatureMin,
                temperatureMax,
                humidityPercent);
    }
}
