package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** An item of the stores, for whoever has to name it. */
@Entity
@Immutable
@Synchronize("stock_item")
class StockCard {

    @Id
    long id;

    String code;
    String name;
    String unit;
    Instant retiredAt;
}
