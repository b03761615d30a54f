package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A version of the settings of a resin on a machine. */
@Entity
@Immutable
@Synchronize({"profile", "profile_version"})
class ProfileMade {

    @Id
    long id;

    int number;
    Instant madeAt;
    long profileId;
    long machineId;
    long resinId;
}
