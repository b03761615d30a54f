package keel.app.failures;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** A check that was done; {@code found} holds cause codes with commas between, or MACHINE or JOB, or nothing. */
@Entity
class FailureCheck {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long failureId;
    String checkCode;
    String found;
    Instant at;
    boolean withdrawn;

    /** Whether it found resin where it should not be. */
    boolean leak;

    Long serviceId;
}
