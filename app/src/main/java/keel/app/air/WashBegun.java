package keel.app.air;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A print went into its first bath. */
@Entity
@Immutable
@Synchronize("finishing")
class WashBegun {

    @Id
    long id;

    Instant at;
}
