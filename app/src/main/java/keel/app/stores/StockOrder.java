package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** An order that was sent. */
@Entity
@EntityListeners(StockWatch.class)
class StockOrder {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long itemId;
    double quantity;
    Double price;
    Instant orderedAt;
    long personId;
    Instant receivedAt;
    Double received;
    Instant cancelledAt;
}
