package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.stock.Consumable;

/** Which item stands for what procedures use up; none where it is not counted. */
@Entity
class BookingChoice {

    @Id
    @Enumerated(EnumType.STRING)
    Consumable kind;

    Long itemId;
    Instant chosenAt;
    long personId;
}
