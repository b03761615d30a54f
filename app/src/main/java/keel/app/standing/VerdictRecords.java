package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import keel.core.standing.ServiceKind;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What bears out a cause that somebody named, or does not. */
interface VerdictRecords extends Repository<FailureSeen, Long> {

    /** A cause that is presumed, with the run that failed as far as it is known. */
    record Named(
            long failure,
            String cause,
            Instant at,
            Integer layer,
            String job,
            String resin,
            Double began,
            Double explains,
            Instant mendedAt,
            boolean checked) {}

    @Query(
            """
            select f.id, f.cause, f.seenAt, r.reachedLayer, r.job, c.code, f.began, f.explains, f.mendedAt,
            case when k.failureId is null then false else true end
            from FailureSeen f left join RunFact r on r.id = f.runId
            left join ProfileMade v on v.id = r.profileVersionId left join ResinCard c on c.id = v.resinId
            left join CauseChecked k on k.failureId = f.id
            where f.machineId = ?1 and f.certainty = keel.core.failure.Certainty.PRESUMED and f.cause is not null""")
    List<Named> presumed(long machine);

    /** A place of a failure. */
    record Place(long failure, String zone) {}

    @Query("select z.failureId, z.zone from FailureAt z where z.machineId = ?1 and z.failureId in ?2")
    List<Place> places(long machine, Collection<Long> failures);

    /** A print that came out; {@code zones} as bits. */
    record CameOut(Instant startedAt, int layers, String job, String resin, Integer zones) {}

    @Query(
            """
            select r.startedAt, r.layers, r.job, c.code, f.zones from RunFact r
            left join RunFootprint f on f.runId = r.id
            left join ProfileMade v on v.id = r.profileVersionId left join ResinCard c on c.id = v.resinId
            where r.machineId = ?1 and r.cameOut and r.startedAt >= ?2 order by r.startedAt""")
    List<CameOut> cameOut(long machine, Instant since);

    /** Work that was done. */
    record Work(ServiceKind kind, Instant at) {}

    @Query("select s.kind, s.at from ServiceDone s where s.machineId = ?1 and s.at >= ?2 and s.kind in ?3")
    List<Work> work(long machine, Instant since, Collection<ServiceKind> kinds);

    @Query("select v.madeAt from ProfileMade v where v.machineId = ?1 and v.madeAt >= ?2")
    List<Instant> settingsChanged(long machine, Instant since);
}
