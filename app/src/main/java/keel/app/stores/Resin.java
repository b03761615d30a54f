package keel.app.stores;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Version;
import java.time.Instant;

/** A resin the shop prints with. */
@Entity
class Resin {

    @Version
    int version;

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

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
    String safetySheet;
    Double pricePerLitre;
    Long itemId;
    Instant retiredAt;
}
