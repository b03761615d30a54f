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
    Double layerMm;
    Double widthMm;
    Double depthMm;

    /** Null where the file itself is not kept. */
    Long keptBytes;

    /** When it was read or printed last. */
    Instant usedAt;

    @Lob
    String report;
}
