package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Set;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What was seen of parts, and what they have been through since. */
interface ConditionRecords extends Repository<FilmSeen, Long> {

    /** A look at a film with what was printed through it since. */
    record Look(
            long id,
            long film,
            Instant at,
            Clouding clouding,
            Double transmittance,
            double hoursSince,
            double uvHoursSince) {}

    @Query(
            """
            select l.id, l.filmId, l.at, l.clouding, l.transmittance, coalesce(sum(r.hours), 0.0),
            coalesce(sum(r.uvHours), 0.0)
            from FilmSeen l left join PartOnMachine p on p.partId = l.filmId and p.until > l.at
            left join RunFact r on r.machineId = p.machineId and r.startedAt >= p.since and r.startedAt < p.until
            and r.startedAt >= l.at and r.endedAt is not null
            where l.filmId in ?1 group by l.id, l.filmId, l.at, l.clouding, l.transmittance order by l.at, l.id""")
    List<Look> looks(Collection<Long> films);

    /** Films with a hole that is only cured shut. */
    @Query(
            """
            select f.id from PartFitted f join MachineStanding s on s.machineId = f.machineId
            where s.stopGapSince is not null and f.id in ?1""")
    Set<Long> stopGaps(Collection<Long> films);

    /** A mark in a film. */
    record Mark(long look, FilmMark.MarkKind kind, double xMm, double yMm, double sizeMm) {}

    @Query("select m.lookId, m.kind, m.xMm, m.yMm, m.sizeMm from FilmMarked m where m.lookId in ?1")
    List<Mark> marks(Collection<Long> looks);
}
