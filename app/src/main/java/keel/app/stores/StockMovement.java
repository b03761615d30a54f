package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** Something came in or went out; put right by a movement the other way. */
@Entity
@EntityListeners(StockWatch.class)
@Immutable
class StockMovement {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    Long itemId;
    double quantity;
    String reason;
    Instant at;
    Long serviceId;
    Long runId;
}
