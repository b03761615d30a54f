package keel.app.stores;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import java.time.Instant;

/** What hurt somebody, or nearly. */
@Entity
@Table(name = "incident")
class IncidentRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    @Enumerated(EnumType.STRING)
    IncidentKind kind;

    Instant at;
    String who;
    String happened;
    String done;
    String after;
    long personId;
}
