package keel.app.film;

import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;

/** What a shop tried on a film against advice. */
@Entity
class FilmExperiment {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long filmId;
    String what;
    Instant at;
    long personId;
    boolean withdrawn;
}
