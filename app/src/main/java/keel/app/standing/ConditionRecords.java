package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.run.Detail;
import keel.core.standing.MachineKind;
import org.springframework.data.domain.Limit;
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

    /** Somebody decided to print on with a part as it is. */
    record Kept(long machine, Instant at, String content) {}

    /** The earliest first. */
    @Query(
            """
            select s.machineId, s.at, s.content from ServiceSaid s
            where s.kind = keel.core.standing.ServiceKind.KEPT_IN_USE and s.machineId is not null
            order by s.at, s.id""")
    List<Kept> kept();

    /** The films that somebody looked at, those that were looked at last first. */
    @Query("select l.filmId from FilmSeen l group by l.filmId order by max(l.at) desc")
    List<Long> lookedAt(Limit most);

    /** Looks at films as they were written down. */
    @Query("select l from FilmSeen l where l.filmId in ?1 order by l.at, l.id")
    List<FilmSeen> allLooks(Collection<Long> films);

    /**
     * A print through a film.
     *
     * @param hoursBefore what the film had done before the records began
     * @param cause what a failure of it was put down to, null for none
     */
    record Through(
            long film,
            long run,
            long machine,
            MachineKind kind,
            String model,
            Instant startedAt,
            double hours,
            double uvHours,
            double hoursBefore,
            double uvBefore,
            Detail detail,
            boolean cameOut,
            String cause) {}

    /** In order; a print with two failures comes twice. */
    @Query(
            """
            select p.partId, r.id, m.id, m.kind, m.modelName, r.startedAt, r.hours, r.uvHours, c.baselineHours,
            c.baselineUvHours, r.detail, r.cameOut, f.cause
            from PartOnMachine p join RunFact r on r.machineId = p.machineId and r.startedAt >= p.since
            and r.startedAt < p.until and r.endedAt is not null
            join MachineCard m on m.id = r.machineId join PartCard c on c.id = p.partId
            left join FailureSeen f on f.runId = r.id
            where p.partId in ?1 order by p.partId, r.startedAt, r.id""")
    List<Through> through(Collection<Long> films);

    /** How a film stands on its machine; {@code stopGap} since when a hole in it is only cured shut, null for none. */
    record Stands(long film, long machine, Instant fittedAt, Instant stopGap) {}

    @Query(
            """
            select f.id, f.machineId, f.fittedAt, s.stopGapSince from PartFitted f
            join MachineStanding s on s.machineId = f.machineId where f.id in ?1""")
    List<Stands> stands(Collection<Long> films);

    /** The layer exposure of a version of a profile, s. */
    record Exposure(long machine, Instant madeAt, double seconds) {}

    /** Of the profiles of what is in the vats now, the earliest first. */
    @Query(
            """
            select v.machineId, v.madeAt, a.amount from MachineStanding s join ResinCard c on c.code = s.vatResin
            join ProfileMade v on v.machineId = s.machineId and v.resinId = c.id
            join ProfileAmount a on a.versionId = v.id and a.setting = keel.core.profile.Setting.EXPOSURE_S
            order by v.machineId, v.number""")
    List<Exposure> exposures();

    /** A mark in a film. */
    record Mark(long look, FilmMark.MarkKind kind, double xMm, double yMm, double sizeMm) {

        FilmMark mark() {
            return new FilmMark(kind, xMm, yMm, sizeMm);
        }
    }

    @Query("select h from FilmHeard h where h.filmId in ?1")
    List<FilmHeard> heard(Collection<Long> films);

    @Query("select m.lookId, m.kind, m.xMm, m.yMm, m.sizeMm from FilmMarked m where m.lookId in ?1")
    List<Mark> marks(Collection<Long> looks);
}
