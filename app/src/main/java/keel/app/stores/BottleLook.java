package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** Somebody weighed or looked at a bottle: so much was left, whatever was reckoned. */
@Entity
class BottleLook {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long bottleId;
    Instant at;
    double leftMl;
    double reckonedMl;
    /** Number of the last pour from or into it before, 0 for none. */
    long afterPour;
}
