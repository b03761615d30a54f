package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** Resin poured into a vat. */
@Entity
class Pour {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;
    Long vatId;
    Long resinId;
    double ml;
    Instant at;
    boolean withdrawn;
}
