package keel.app.air;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A reading taken by hand in a room. */
@Entity
class RoomReading {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long roomId;
    Instant at;

    @Column(name = "temperature_c")
    double temperatureC;

    Double humidityPercent;
    Long personId;
    boolean withdrawn;
}
