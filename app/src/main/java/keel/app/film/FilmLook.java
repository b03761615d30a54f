package keel.app.film;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import java.time.Instant;
import java.util.List;
import keel.app.base.Typed;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;

/** How a film looked. */
@Entity
class FilmLook {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long filmId;
    Instant at;
    long personId;

    @Enumerated(EnumType.STRING)
    Clouding clouding;

    Double uvBare;
    Double uvThrough;
    Double transmittance;

    @Enumerated(EnumType.STRING)
    FilmLooks.Leak leak;

    String note;
    Long serviceId;
    boolean withdrawn;

    static FilmLook of(long film, FilmLooks.LookEntry entry, Instant at, long person) {
        FilmLook look = new FilmLook();
        look.filmId = film;
        look.at = at;
        look.personId = person;
        look.clouding = entry.clouding();
        look.uvBare = entry.uvBare();
        look.uvThrough = entry.uvThrough();
        look.transmittance = entry.transmittance();
        look.leak = entry.leak();
        look.note = Typed.orNull(entry.note());
        return look;
    }

    /** Its grade is what was seen, or what the meter says where nobody graded it. */
    FilmLooks.Look view(String person, List<FilmMark> marks) {
        Clouding metered = transmittance == null ? null : Clouding.of(transmittance);
        return new FilmLooks.Look(
                id,
                at,
                person,
                clouding != null ? clouding : metered,
                clouding != null,
                transmittance,
                leak,
                marks,
                note);
    }
}
