package keel.app.standing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A resin, for whoever has to name it. */
@Entity
@Immutable
@Synchronize("resin")
class ResinCard {

    @Id
    long id;

    String code;
    String name;

    @Column(name = "density_g_per_ml")
    Double densityGPerMl;

    String pigmentFamily;

    @Column(name = "temperature_from_c")
    Double temperatureFromC;

    @Column(name = "temperature_to_c")
    Double temperatureToC;

    String nature;
    String washedIn;
    Instant retiredAt;
}
