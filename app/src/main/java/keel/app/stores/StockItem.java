package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** Something the shop keeps count of. */
@Entity
class StockItem {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    String name;
    String unit;
    Double lowAt;
    Instant retiredAt;
    String spareKind;
    Long spareModelId;
    Double perRun;
    Instant perRunSince;
}
