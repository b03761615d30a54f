package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** Resin poured into a vat, or back out of it; {@code kind} and bottle are null where nobody said. */
@Entity
public class Pour {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long vatId;
    Long resinId;
    double ml;
    Instant at;
    boolean withdrawn;
    Long bottleId;
    Long serviceId;

    @Enumerated(EnumType.STRING)
    PourKind kind;
}
