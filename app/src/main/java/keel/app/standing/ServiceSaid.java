package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import java.time.Instant;
import keel.core.standing.ServiceKind;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** What a service says in full; {@code content} as JSON. */
@Entity
@Immutable
@Synchronize("service")
class ServiceSaid {

    @Id
    long id;

    Long machineId;
    Long vatId;
    Instant at;

    @Enumerated(EnumType.STRING)
    ServiceKind kind;

    boolean clean;

    @Lob
    String content;

    String note;
}
