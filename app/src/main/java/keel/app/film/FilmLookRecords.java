package keel.app.film;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FilmLookRecords extends JpaRepository<FilmLook, Long> {

    /** An inspection and who made it. */
    record Seen(FilmLook look, String person) {}

    @Query(
            """
            select l, p.name from FilmLook l join PersonName p on p.id = l.personId
            where l.filmId = ?1 and not l.withdrawn order by l.at desc, l.id desc""")
    List<Seen> of(long film);

    @Query(
            """
            select l, p.name from FilmLook l join PersonName p on p.id = l.personId
            where not l.withdrawn and l.filmId in (select f.id from PartFitted f) and not exists (select 1
            from FilmLook x where x.filmId = l.filmId and not x.withdrawn
            and (x.at > l.at or x.at = l.at and x.id > l.id))""")
    List<Seen> latest();

    /** When a film was fitted first. */
    @Query("select min(p.since) from PartPlace p where p.partId = ?1")
    Instant madeAt(long film);

    @Query("select m from FilmMarkRecord m where m.lookId in ?1 order by m.id")
    List<FilmMarkRecord> marks(Collection<Long> looks);

    @Query(
            """
            select l from FilmLook l where l.filmId = ?1 and l.transmittance is not null and not l.withdrawn
            and l.at >= ?2 and l.at <= ?3""")
    List<FilmLook> metered(long film, Instant from, Instant to);
}
