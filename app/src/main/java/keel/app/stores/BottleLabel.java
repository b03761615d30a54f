package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What stands on a bottle, when it came and when it was opened. */
@Entity
@Immutable
@Synchronize({"bottle", "resin"})
class BottleLabel {

    @Id
    long id;

    String code;
    String resin;
    String resinName;
    String lot;
    double fullMl;
    Double price;
    Instant at;
    Instant openedAt;
    LocalDate expiresOn;
}
