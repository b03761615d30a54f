package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A print that somebody began to wash, dry or cure here. */
@Entity
@Immutable
@Synchronize("finishing")
class FinishingBegun {

    @Id
    long runId;
}
