package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import keel.core.wash.BathKind;

/** A wash bath, wherever it stands. */
@Entity
@Table(name = "bath")
class BathRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;

    @Enumerated(EnumType.STRING)
    BathKind kind;

    @Enumerated(EnumType.STRING)
    Baths.Place place;

    double volumeMl;
    Instant retiredAt;
}
