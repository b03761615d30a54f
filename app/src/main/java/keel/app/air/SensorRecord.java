package keel.app.air;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import keel.core.air.SensorReading;

/** A sensor on the wall; without a room until somebody has placed it. */
@Entity
@Table(name = "sensor")
class SensorRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    Long roomId;
    Instant firstAt;

    /** What it said last: when, in seconds since 1970, and what; null while it said nothing. */
    @Column(name = "last_s")
    Long lastS;

    @Column(name = "last_temperature_c")
    Double lastTemperatureC;

    Double lastHumidityPercent;

    void hears(SensorReading reading) {
        lastS = reading.at().getEpochSecond();
        lastTemperatureC = reading.temperatureC();
        lastHumidityPercent = reading.humidityPercent();
    }
}
