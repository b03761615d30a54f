package keel.app.film;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FilmToneRecords extends JpaRepository<FilmTone, Long> {

    /** A tone and who heard it. */
    record Heard(FilmTone tone, String person) {}

    @Query(
            """
            select t, p.name from FilmTone t join PersonName p on p.id = t.personId
            where t.filmId = ?1 and not t.withdrawn order by t.at desc, t.id desc""")
    List<Heard> of(long film);

    /** The latest tone of a film that is in a vat, without what was drawn of it. */
    record Latest(
            long film,
            long id,
            Instant at,
            String person,
            double hz,
            double spreadHz,
            int taps,
            Double temperatureC,
            double dryNPerM,
            double withAirNPerM,
            double stressMpa,
            Double evenness) {}

    @Query(
            """
            select t.filmId, t.id, t.at, p.name, t.fundamentalHz, t.spreadHz, t.taps, t.temperatureC, t.dryNPerM,
            t.withAirNPerM, t.stressMpa, t.evenness from FilmTone t join PersonName p on p.id = t.personId
            where t.id in (select max(x.id) from PartFitted f join FilmTone x on x.filmId = f.id
            where not x.withdrawn group by x.filmId)""")
    List<Latest> latest();

    Optional<FilmTone> findByIdAndFilmIdAndWithdrawnFalse(long id, long film);

    /** A reference and who made it. */
    record Made(ToneReference reference, String person) {}

    @Query(
            """
            select r, p.name from ToneReference r join PersonName p on p.id = r.personId
            where r.id in (select max(x.id) from ToneReference x group by x.modelId, x.thicknessMm)""")
    List<Made> references();
}
