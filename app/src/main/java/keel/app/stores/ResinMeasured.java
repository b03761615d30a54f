package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** How warm the resin in a machine was, with the lowest that suits it, null where nobody said. */
@Entity
@Immutable
@Synchronize({"resin_warmth", "resin"})
class ResinMeasured {

    @Id
    long id;

    long machineId;
    Instant at;
    double celsius;
    Double lowestCelsius;
}
