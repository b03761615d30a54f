package keel.app.floor;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.standing.Baseline;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A baseline of a machine as it was first taken for the part that is on it now. */
@Entity
@Immutable
@Synchronize({"screen_photo", "uv_map", "film_tone", "service", "calibration", "fitting", "profile"})
class BaselineTaken {

    @Id
    long id;

    long machineId;

    @Enumerated(EnumType.STRING)
    Baseline about;

    Instant at;
}
