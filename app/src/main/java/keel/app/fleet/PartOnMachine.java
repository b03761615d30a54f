package keel.app.fleet;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** On which machine a part is or was, films by way of their vat; {@code until} is far away while it is there. */
@Entity
@Immutable
@Synchronize({"component", "fitting"})
@IdClass(PartOnMachine.Key.class)
class PartOnMachine {

    record Key(long id, long vatFittingId) implements Serializable {}

    @Id
    long id;

    @Id
    long vatFittingId;

    long partId;

    @Enumerated(EnumType.STRING)
    ComponentKind kind;

    long machineId;
    Long vatId;
    Instant since;
    Instant until;
}
