package keel.app.film;

import jakarta.persistence.Column;
import jakarta.persistence.Entity;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Lob;
import java.time.Instant;
import keel.core.film.FilmTension;

/** How a film sounded; {@code trace} is what was recorded, as JSON. */
@Entity
class FilmTone {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long filmId;
    Instant at;
    long personId;
    double fundamentalHz;
    double spreadHz;
    int taps;

    @Column(name = "temperature_c")
    Double temperatureC;

    @Column(name = "dry_n_per_m")
    double dryNPerM;

    @Column(name = "with_air_n_per_m")
    double withAirNPerM;

    double stressMpa;
    Double evenness;

    @Lob
    String trace;

    boolean withdrawn;

    void take(FilmTension tension) {
        dryNPerM = tension.dryNPerM();
        withAirNPerM = tension.withAirNPerM();
        stressMpa = tension.stressMPa();
        evenness = tension.evenness();
    }
}
