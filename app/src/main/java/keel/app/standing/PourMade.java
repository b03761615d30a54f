package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.resin.VatContent;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** Resin poured into a vat, or taken out of it; {@code kind} is null where nobody said. */
@Entity
@Immutable
@Synchronize({"pour", "resin"})
class PourMade {

    @Id
    long id;

    long vatId;
    long resinId;
    String resin;
    double ml;
    Instant at;
    String kind;
    Long bottleId;

    /** What went into a vat, or out of it again. */
    record Into(Instant at, String resin, double ml, String kind) {

        VatContent.Change change() {
            return "RETURN".equals(kind) ? new VatContent.TakenOut(at, ml) : new VatContent.Poured(at, resin, ml);
        }
    }
}
