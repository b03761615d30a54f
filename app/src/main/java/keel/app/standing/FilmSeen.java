package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import java.time.Instant;
import keel.core.film.Clouding;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** How a film looked when somebody inspected it. */
@Entity
@Immutable
@Synchronize("film_look")
class FilmSeen {

    @Id
    long id;

    long filmId;
    Instant at;

    @Enumerated(EnumType.STRING)
    Clouding clouding;

    Double transmittance;
}
