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
            where l.id in (select max(x.id) from PartFitted f join FilmLook x on x.filmId = f.id
            where not x.withdrawn group by x.filmId)""")
    List<Seen> latest();

    @Query("select m from FilmMarkRecord m where m.lookId in ?1 order by m.id")
    List<FilmMarkRecord> marks(Collection<Long> looks);

    @Query(
            """
            select l from FilmLook l where l.filmId = ?1 and l.transmittance is not null and not l.withdrawn
            and l.at >= ?2 and l.at <= ?3""")
    List<FilmLook> metered(long film, Instant from, Instant to);
}
