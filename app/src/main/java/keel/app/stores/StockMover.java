package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** Who moved something. */
@Entity
@Immutable
@Synchronize({"log_entry", "person"})
class StockMover {

    @Id
    long movementId;

    String name;
}
