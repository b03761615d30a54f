package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;

/** Derived: what each cell of a film or screen has been through. */
@Entity
@Table(name = "wear_map")
class WearMapRecord {

    @Id
    long componentId;

    int across;
    int deep;

    @Lob
    byte[] cells;

    Instant through;
    long prints;
    double uvHours;
    long layers;
    long placedPrints;
    double placedUvHours;
}
