package keel.app.bench;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import jakarta.persistence.Table;
import java.time.Instant;
import keel.core.standing.ServiceKind;

/** A service that was done; what its kind asks for stands in {@code content} as JSON. */
@Entity
@Table(name = "service")
class ServiceRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    ServiceKind kind;

    Long machineId;
    Long vatId;
    Instant at;
    boolean clean;
    boolean emptied;
    boolean leak;
    Double resinLeftMl;
    boolean readings;
    Instant dryingUntil;

    @Lob
    String content;

    String note;
    boolean withdrawn;
}
