package keel.app.air;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** A fan was switched on or off. */
@Entity
@Immutable
class FanSwitch {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long roomId;
    Instant at;
    boolean running;
    long personId;
}
