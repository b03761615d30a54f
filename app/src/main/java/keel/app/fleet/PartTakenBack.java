package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A part whose coming in was taken back. */
@Entity
@Immutable
@Synchronize("component")
class PartTakenBack {

    @Id
    long id;
}
