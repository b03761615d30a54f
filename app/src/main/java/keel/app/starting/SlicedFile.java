package keel.app.starting;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import java.time.Instant;

/** A sliced file that was read, and what was found in it. */
@Entity
class SlicedFile {

    @Id
    String hash;

    String name;
    Long machineId;
    Instant checkedAt;
    long personId;

    @Lob
    String report;
}
