package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** Where a part is or was; {@code until} is far away, {@code removedAt} null while it is there. */
@Entity
@Immutable
@Synchronize({"component", "fitting"})
class PartPlace {

    @Id
    long id;

    long partId;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    Long machineId;
    Long vatId;
    Instant since;
    Instant until;
    Instant removedAt;
}
