package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A bottle, for whoever has to name it. */
@Entity
@Immutable
@Synchronize("bottle")
class BottleCard {

    @Id
    long id;

    String code;
    String lot;
}
