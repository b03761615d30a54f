package keel.app.standing;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import java.time.Instant;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** The latest tone of a film that is in a vat, beside its reference. */
@Entity
@Immutable
@Synchronize({"film_tone", "tone_reference", "fitting", "component"})
class FilmHeard {

    @Id
    long id;

    long filmId;
    Instant at;
    double fundamentalHz;
    double stressMpa;

    @Column(name = "temperature_c")
    Double temperatureC;

    double referenceHz;

    @Column(name = "reference_c")
    Double referenceC;
}
