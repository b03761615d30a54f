package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.time.LocalDate;

/** A vat, film, screen, plate or light engine, with what it had done when it was taken over. */
@Entity
class Component {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    int number;
    String code;
    Long modelId;
    String material;
    Double thicknessMm;
    String serial;
    Instant since;
    boolean hoursKnown = true;
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
    boolean withdrawn;
}
