package keel.app.standing;

import java.time.Instant;
import java.util.List;
import keel.core.standing.ServiceKind;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface OccupancyRecords extends Repository<RunFact, Long> {

    /** Ended ones, as far as they began since a moment before which nothing can reach so far. */
    @Query(
            """
            select r.id, r.job, r.startedAt, r.endedAt from RunFact r where r.machineId = ?1 and r.startedAt < ?3
            and r.startedAt >= ?5 and r.endedAt > ?2 and r.id <> ?4 order by r.startedAt""")
    List<Occupancy.Found> overlapping(
            long machine, Instant from, Instant to, long except, Instant startedSince, Limit most);

    @Query(
            """
            select r.id, r.job, r.startedAt, cast(null as Instant) from RunGoingOn r
            where r.machineId = ?1 and r.startedAt < ?2 and r.id <> ?3""")
    List<Occupancy.Found> goingOn(long machine, Instant to, long except);

    @Query(
            """
            select c.code from PartOnMachine p join PartCard c on c.id = p.partId
            where p.machineId = ?1 and p.kind = keel.app.fleet.ComponentKind.FILM and p.since <= ?2 and p.until > ?2""")
    List<String> filmsAt(long machine, Instant at);

    @Query(
            """
            select p.partId from PartPlace p where p.machineId = ?1 and p.kind = keel.app.fleet.ComponentKind.VAT
            and p.since <= ?2 and p.until > ?2""")
    List<Long> vatsAt(long machine, Instant at);

    @Query(
            """
            select s.kind from ServiceDone s where s.machineId = ?1 and s.at > ?2 and s.at < ?3
            and s.kind in (keel.core.standing.ServiceKind.FILM_CHANGE, keel.core.standing.ServiceKind.TANK_CHANGE,
            keel.core.standing.ServiceKind.VAT_FITTED, keel.core.standing.ServiceKind.VAT_REMOVED,
            keel.core.standing.ServiceKind.SCREEN_CHANGE)""")
    List<ServiceKind> changedWithin(long machine, Instant from, Instant to);

    @Query("select max(f.seenAt) from FailureSeen f where f.machineId = ?1")
    Instant lastFailure(long machine);

    @Query("select max(r.startedAt) from RunFact r where r.machineId = ?1 and r.startedAt >= ?2 and r.cameOut")
    Instant lastThatCameOut(long machine, Instant since);

    @Query(
            """
            select count(s.id) from ServiceDone s where s.machineId = ?1 and s.at >= ?2
            and s.kind in (keel.core.standing.ServiceKind.FILM_CHANGE, keel.core.standing.ServiceKind.TANK_CHANGE,
            keel.core.standing.ServiceKind.VAT_FITTED, keel.core.standing.ServiceKind.SCREEN_CHANGE,
            keel.core.standing.ServiceKind.LEVELLING, keel.core.standing.ServiceKind.PLATE_WORK,
            keel.core.standing.ServiceKind.LUBRICATION, keel.core.standing.ServiceKind.STANCE_CHECKED,
            keel.core.standing.ServiceKind.FIRMWARE)""")
    long changesSince(long machine, Instant since);

    @Query("select count(v.id) from ProfileMade v where v.machineId = ?1 and v.madeAt >= ?2")
    long settingsSince(long machine, Instant since);

    @Query(
            """
            select count(r.id) from RunFact r where r.machineId = ?1 and r.startedAt > ?2 and r.endedAt is not null""")
    long endedSince(long machine, Instant startedAfter);
}
