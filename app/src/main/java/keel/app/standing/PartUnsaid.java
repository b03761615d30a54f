package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A part of which nobody said what it had done before it came on record. */
@Entity
@Immutable
@Synchronize("component")
class PartUnsaid {

    @Id
    long partId;
}
