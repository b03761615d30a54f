package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
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

    /**
     * How a film stands on its machine.
     *
     * @param stopGap since when a hole in it is only cured shut, null for none
     * @param exposureS of the profile in force, {@code firstS} of its first version; null without a profile
     */
    record Stands(long film, Instant stopGap, Double exposureS, Double firstS) {}

    @Query(
            """
            select f.id, s.stopGapSince, a.amount, b.amount from PartFitted f
            join MachineStanding s on s.machineId = f.machineId
            left join ResinCard c on c.code = s.vatResin
            left join ProfileMade v on v.machineId = f.machineId and v.resinId = c.id
            and v.number = (select max(x.number) from ProfileMade x where x.profileId = v.profileId)
            left join ProfileMade w on w.profileId = v.profileId and w.number = 1
            left join ProfileAmount a on a.versionId = v.id and a.setting = keel.core.profile.Setting.EXPOSURE_S
            left join ProfileAmount b on b.versionId = w.id and b.setting = keel.core.profile.Setting.EXPOSURE_S
            where f.id in ?1""")
    List<Stands> stands(Collection<Long> films);

    /** A mark in a film. */
    record Mark(long look, FilmMark.MarkKind kind, double xMm, double yMm, double sizeMm) {}

    @Query("select h from FilmHeard h where h.filmId in ?1")
    List<FilmHeard> heard(Collection<Long> films);

    @Query("select m.lookId, m.kind, m.xMm, m.yMm, m.sizeMm from FilmMarked m where m.lookId in ?1")
    List<Mark> marks(Collection<Long> looks);
}
