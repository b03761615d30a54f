package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A vat, film, screen, plate or light engine; those taken back left out. */
@Entity
@Immutable
@Synchronize("component")
class PartCard {

    @Id
    long id;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    int number;
    String code;
    Long modelId;
    String material;
    Double thicknessMm;
    String serial;
    Instant since;
    double baselineHours;
    double baselineUvHours;
    long baselineLayers;
    long baselinePrints;
    Instant endedAt;
    String endReason;
    String note;
    Long madeBy;
    Long packId;
    Long partModelId;
    String batch;
    LocalDate boughtOn;
    LocalDate warrantyUntil;
    Double price;
}
