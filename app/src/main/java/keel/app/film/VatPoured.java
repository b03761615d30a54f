package keel.app.film;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** The resin that was poured into a vat last. */
@Entity
@Immutable
@Synchronize({"component", "pour"})
class VatPoured {

    @Id
    long vatId;

    long resinId;
}
