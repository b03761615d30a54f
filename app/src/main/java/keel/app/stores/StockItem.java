package keel.app.stores;

import jakarta.persistence.Column;
import jakarta.persistence.Embedded;
import jakarta.persistence.Entity;
import jakarta.persistence.EntityListeners;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;

/** Something the shop keeps count of. */
@Entity
@EntityListeners(StockWatch.class)
class StockItem {

    @Version
    int version;

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
    boolean shared;

    @Embedded
    StockTerms terms;

    /** What the movements add up to; kept by {@link StockItems#moved}. */
    @Column(insertable = false, updatable = false)
    double onHand;

    @Column(insertable = false, updatable = false)
    Instant firstMovedAt;

    @Column(insertable = false, updatable = false)
    Instant lastMovedAt;

    /** How it is bought; the record leaves it out where nothing is known. */
    StockTerms terms() {
        if (terms == null) {
            terms = new StockTerms();
        }
        return terms;
    }
}
