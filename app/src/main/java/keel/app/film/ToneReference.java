package keel.app.film;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;

/** What a film of a model should sound like; the latest for a thickness counts. */
@Entity
@Immutable
class ToneReference {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long modelId;
    double thicknessMm;

    @Enumerated(EnumType.STRING)
    FilmTones.School school;

    double hz;

    @Column(name = "tension_n_per_m")
    Double tensionNPerM;

    @Column(name = "temperature_c")
    Double temperatureC;

    Long toneId;
    Instant madeAt;
    long personId;
}
