package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** Waste, from where it arose to where it was handed in. */
@Entity
@Table(name = "waste")
class WasteRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    WasteKind kind;

    double amount;
    String unit;
    String place;
    Double layerMm;
    String note;
    Instant at;
    Instant curedAt;
    Instant handedAt;
    String handedTo;
    long personId;
}
