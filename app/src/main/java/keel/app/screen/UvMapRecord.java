package keel.app.screen;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;

/** A UV meter read over a plate, as JSON. */
@Entity
@Table(name = "uv_map")
class UvMapRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long machineId;
    Long lightId;
    double lightHours;
    Long screenId;

    @Lob
    String content;

    Instant at;
    long personId;
    boolean withdrawn;
}
