package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;
import java.time.LocalDate;

/** A bottle of resin. */
@Entity
@Table(name = "bottle")
class BottleRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    String code;
    long resinId;
    String lot;
    double fullMl;
    double leftMl;
    Double price;
    Instant at;
    long personId;
    LocalDate expiresOn;
    Instant openedAt;
    Instant shakenAt;
    Instant emptiedAt;
}
