package keel.app.air;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import keel.core.air.AirPartKind;

/** A filter, fan, mesh or cartridge that is kept up. */
@Entity
@Table(name = "air_part")
class AirPartRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long roomId;

    @Enumerated(EnumType.STRING)
    AirPartKind kind;

    String name;
    Instant since;
    Double lifeHours;
    Double lifeDays;
    double wornHours;
    Instant retiredAt;
}
