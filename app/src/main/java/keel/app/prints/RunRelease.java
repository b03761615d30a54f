package keel.app.prints;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** From this layer on a run lets go slowly, or fast again. */
@Entity
@Immutable
class RunRelease {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long runId;
    int fromLayer;
    boolean slow;
    Instant at;
    long personId;
}
