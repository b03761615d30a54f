package keel.app.film;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FilmLifeRecords extends JpaRepository<FilmExperiment, Long> {

    @Query(
            """
            select a.code, c.material, c.thicknessMm, a.vat, a.model, k.code, k.supplier, c.since, a.endedAt,
            a.endReason, a.hours, a.layers,
            case when exists (select 1 from FilmExperiment e where e.filmId = a.id and not e.withdrawn) then true
            else false end
            from PartAged a join PartCard c on c.id = a.id left join FilmPackCard k on k.id = c.packId
            where a.kind = keel.app.fleet.ComponentKind.FILM order by a.number desc""")
    List<FilmLives.FilmLine> all();

    @Query("select min(c.since) from PartCard c where c.kind = keel.app.fleet.ComponentKind.VAT and c.modelId = ?1")
    Instant firstVat(long model);

    @Query(
            """
            select count(c.id) from PartPlace f join PartCard c on c.id = f.partId join PartCard v on v.id = f.vatId
            where c.kind = keel.app.fleet.ComponentKind.FILM and v.modelId = ?1 and c.endedAt >= ?2
            and f.removedAt is not null""")
    long ended(long model, Instant since);

    /** A guide that was gone through. */
    record Took(Instant startedAt, Instant finishedAt) {}

    @Query(
            """
            select g.startedAt, g.finishedAt from GuideDone g
            where g.procedureCode = 'film-change' and g.machineId is not null order by g.finishedAt desc""")
    List<Took> changes(Limit most);

    /** Films of a thickness together. */
    record Pool(long films, double hours, long pierced) {}

    @Query(
            """
            select count(c.id), coalesce(sum(u.hours), 0.0), count(case when c.endReason = 'PIERCED' then c.id end)
            from PartCard c join PartUsage u on u.partId = c.id
            where c.kind = keel.app.fleet.ComponentKind.FILM and c.material <> 'OTHER' and c.thicknessMm > ?1
            and c.thicknessMm <= ?2""")
    Pool pool(double overMm, double upToMm);

    @Query(
            """
            select count(distinct s.failureId) from SymptomSeen s join PartOnMachine p on p.machineId = s.machineId
            and p.since <= s.seenAt and p.until > s.seenAt join PartCard c on c.id = p.partId
            where s.symptom = 'soft-detail' and c.kind = keel.app.fleet.ComponentKind.FILM and c.material <> 'OTHER'
            and c.thicknessMm > ?1 and c.thicknessMm <= ?2""")
    long softDetails(double overMm, double upToMm);

    /** An experiment and who made it. */
    record Tried(FilmExperiment experiment, String person) {}

    @Query(
            """
            select e, p.name from FilmExperiment e join PersonName p on p.id = e.personId
            where e.filmId = ?1 and not e.withdrawn order by e.id desc""")
    List<Tried> experiments(long film);

    Optional<FilmExperiment> findByIdAndFilmId(long id, long film);

    /** How prints through films fared. */
    record Fared(long cameOut, long prints, double hours) {}

    String PRINTS =
            """
            select coalesce(sum(case when r.cameOut then 1L else 0L end), 0L), count(r.id), coalesce(sum(r.hours), 0.0)
            from RunFact r join MachineCard m on m.id = r.machineId
            join PartOnMachine p on p.machineId = r.machineId and p.since <= r.startedAt and p.until > r.startedAt
            where m.modelId = ?1 and r.startedAt >= ?2 and r.endedAt is not null
            and p.kind = keel.app.fleet.ComponentKind.FILM
            """;

    @Query(PRINTS + "and p.partId = ?3")
    Fared through(long model, Instant since, long film);

    @Query(PRINTS + "and p.partId <> ?3")
    Fared throughOthers(long model, Instant since, long film);
}
