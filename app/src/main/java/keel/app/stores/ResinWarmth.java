package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** How warm the resin in a machine was, as somebody measured it. */
@Entity
@Immutable
class ResinWarmth {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long machineId;
    Long resinId;
    Instant at;
    double celsius;
    long personId;
}
