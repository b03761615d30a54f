package keel.app.film;

import jakarta.persistence.Entity;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;
import jakarta.persistence.GeneratedValue;
import jakarta.persistence.GenerationType;
import jakarta.persistence.Id;
import jakarta.persistence.Table;
import keel.core.film.FilmMark;
import org.hibernate.annotations.Immutable;

/** A mark on a film, as a look found it. */
@Entity
@Immutable
@Table(name = "film_mark")
class FilmMarkRecord {

    @Id
    @GeneratedValue(strategy = GenerationType.IDENTITY)
    Long id;

    long lookId;

    @Enumerated(EnumType.STRING)
    FilmMark.MarkKind kind;

    double xMm;
    double yMm;
    double sizeMm;

    static FilmMarkRecord of(long look, FilmMark mark) {
        FilmMarkRecord record = new FilmMarkRecord();
        record.lookId = look;
        record.kind = mark.kind();
        record.xMm = mark.xMm();
        record.yMm = mark.yMm();
        record.sizeMm = mark.sizeMm();
        return record;
    }

    FilmMark mark() {
        return new FilmMark(kind, xMm, yMm, sizeMm);
    }
}
