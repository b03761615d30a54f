package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** A bath was filled afresh. */
@Entity
@Immutable
class BathFill {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long bathId;
    Instant at;
    double volumeMl;
    Double freshDensity;
    long personId;
}
