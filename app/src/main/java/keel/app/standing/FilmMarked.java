package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.Id;
import keel.core.film.FilmMark;
import org.hibernate.annotations.Immutable;
import org.hibernate.annotations.Synchronize;

/** A mark in a film as an inspection found it. */
@Entity
@Immutable
@Synchronize({"film_look", "film_mark"})
class FilmMarked {

    @Id
    long id;

    long lookId;
    long filmId;

    @Enumerated(EnumType.STRING)
    FilmMark.MarkKind kind;

    double xMm;
    double yMm;
    double sizeMm;
}
