package keel.app.failures;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import keel.core.history.Past;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.core.standing.ServiceKind;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FailureRecords extends JpaRepository<Failure, Long> {

    /** A failure with what a page says beside it; {@code open} whether its presumed cause is not borne out yet. */
    record Seen(
            Failure failure,
            String machine,
            String machineName,
            String job,
            Integer reached,
            long photos,
            boolean open) {}

    String VIEW =
            """
            select new keel.app.failures.FailureRecords$Seen(f, m.code, m.name, r.job, r.reachedLayer,
            (select count(p.id) from Photo p where p.failureId = f.id),
            case when exists (select 1 from CauseOpen o where o.failureId = f.id) then true else false end)
            from Failure f join MachineCard m on m.id = f.machineId left join RunFact r on r.id = f.runId
            """;

    @Query(VIEW + "where f.id = ?1")
    Optional<Seen> seen(long id);

    @Query("select m.id from MachineCard m where m.code = ?1")
    Optional<Long> machine(String code);

    @Query(
            """
            select f.seenAt from Failure f where f.machineId = ?1 and f.seenAt >= ?2 and not f.withdrawn
            order by f.seenAt""")
    List<Instant> seenSince(long machine, Instant from);

    /** How often something put failures down to it; cause null for those of which nobody said anything yet. */
    record CauseCount(String cause, long times) {}

    @Query(
            """
            select f.cause, count(f.id) from Failure f where (?1 is null or f.machineId = ?1) and f.seenAt >= ?2
            and not f.withdrawn and (f.cause is not null or f.certainty is null)
            group by f.cause order by count(f.id) desc, f.cause""")
    List<CauseCount> causes(Long machine, Instant since);

    /** A place on a plate. */
    record At(String zone, long times) {}

    @Query(
            """
            select z, count(f.id) from Failure f join f.zones z where f.machineId = ?1 and f.seenAt >= ?2
            and not f.withdrawn group by z""")
    List<At> zonesSince(long machine, Instant from);

    @Query(
            """
            select r.id, r.job, r.startedAt, r.endedAt, r.outcome,
            (select min(f.id) from Failure f where f.runId = r.id and not f.withdrawn)
            from RunFact r where r.machineId = ?1 and (r.endedAt is null or r.endedAt >= ?2)
            order by r.startedAt desc""")
    List<Seeing.Print> lastPrints(long machine, Instant since, Limit most);

    @Query("select min(f.id) from Failure f where f.runId = ?1 and not f.withdrawn")
    Long ofRun(long run);

    /** A photo of a failure. */
    record Shot(long photo, long failure, String machineName, Instant seenAt, String caption) {}

    @Query(
            """
            select p.id, f.id, m.name, f.seenAt, p.caption from Photo p join Failure f on f.id = p.failureId
            join MachineCard m on m.id = f.machineId
            where f.machineId = ?1 and f.id <> ?2 and f.seenAt < ?3 and not f.withdrawn
            order by f.seenAt desc, p.id desc""")
    List<Shot> shotsOfMachine(long machine, long except, Instant before, Limit most);

    @Query(
            """
            select p.id, f.id, m.name, f.seenAt, p.caption from Photo p join Failure f on f.id = p.failureId
            join MachineCard m on m.id = f.machineId
            where f.id <> ?2 and f.seenAt < ?3 and not f.withdrawn
            and exists (select 1 from SymptomSeen s where s.failureId = f.id and s.symptom in ?1)
            order by f.seenAt desc, p.id desc""")
    List<Shot> shotsOfSymptoms(Collection<String> symptoms, long except, Instant before, Limit most);

    @Query(
            """
            select p.id, f.id, m.name, f.seenAt, p.caption from Photo p join Failure f on f.id = p.failureId
            join MachineCard m on m.id = f.machineId where f.id in ?1 order by f.seenAt desc, p.id desc""")
    List<Shot> shotsOf(Collection<Long> failures);

    /**
     * A cause that closed failures.
     *
     * @param open whether it is only presumed
     * @param sum of the shares of what was seen that it began; one that was never judged counts in full where a check
     *     had found it, else for a quarter
     */
    record Closed(String cause, boolean open, double sum) {}

    @Query(
            """
            select c.cause, c.open, sum(c.share) from (select f.cause as cause,
            case when o.failureId is null then false else true end as open,
            coalesce(f.began, case when exists (select 1 from FailureCheck k where k.failureId = f.id
              and not k.withdrawn and locate(',' || f.cause || ',', ',' || k.found || ',') > 0)
              then 1.0 else 0.25 end) as share
            from Failure f left join CauseOpen o on o.failureId = f.id and o.machineId = f.machineId
            where f.certainty in (keel.core.failure.Certainty.FOUND,
              keel.core.failure.Certainty.PRESUMED) and f.cause is not null and not f.withdrawn and f.id <> ?1) c
            group by c.cause, c.open""")
    List<Closed> closed(long except);

    @Query(
            """
            select f from Failure f where f.cause is not null and f.began is null and not f.withdrawn
            and f.certainty <> keel.core.failure.Certainty.UNKNOWN order by f.machineId, f.id""")
    List<Failure> notJudged(Limit most);

    /** A failure that shares symptoms with another. */
    record Candidate(long id, String machine, long shared, long total) {}

    @Query(
            """
            select f.id, m.code, count(s.symptom), (select count(t.symptom) from SymptomSeen t where t.failureId = f.id)
            from SymptomSeen s join Failure f on f.id = s.failureId join MachineCard m on m.id = f.machineId
            where f.id <> ?1 and f.cause is not null and f.seenAt < ?2 and s.symptom in ?3
            group by f.id, m.code, f.seenAt order by count(s.symptom) desc, f.seenAt desc""")
    List<Candidate> alike(long self, Instant before, Collection<String> symptoms, Limit most);

    @Query("select min(p.id) from Photo p where p.failureId = ?1")
    Long firstPhoto(long failure);

    /** When a kind of work was first done. */
    record Done(ServiceKind kind, Instant at) {}

    @Query("select s.kind, min(s.at) from ServiceDone s where s.machineId = ?1 and s.at >= ?2 group by s.kind")
    List<Done> doneSince(long machine, Instant from);

    /** A run as history knows it; {@code endedAt} and {@code outcome} null while it goes on. */
    record Ran(
            long id,
            Instant startedAt,
            Instant endedAt,
            Outcome outcome,
            int layers,
            double layerExposureS,
            Double uvHours,
            Double usedMl,
            double resinMl) {}

    @Query(
            """
            select r.id, r.startedAt, r.endedAt, r.outcome, r.layers, r.layerExposureS, r.uvHours, r.usedMl, r.resinMl
            from RunFact r where r.machineId = ?1 and r.startedAt >= ?2 and r.startedAt <= ?3 order by r.startedAt""")
    List<Ran> ran(long machine, Instant from, Instant to);

    @Query(
            """
            select count(f.id) from Failure f where f.machineId = ?1 and not f.withdrawn and f.seenAt >= ?2
            and f.seenAt < ?3""")
    long failed(long machine, Instant from, Instant before);

    @Query(
            """
            select f from Failure f where f.machineId = ?1 and f.seenAt >= ?2 and f.seenAt <= ?3 and not f.withdrawn
            and f.id <> ?4""")
    List<Failure> before(long machine, Instant from, Instant to, long self);

    @Query(
            """
            select c from FailureCheck c join Failure f on f.id = c.failureId where f.machineId = ?1 and c.at >= ?2
            and c.at <= ?3 and not c.withdrawn and not f.withdrawn and c.found <> ''""")
    List<FailureCheck> found(long machine, Instant from, Instant to);

    /** A service in full. */
    record Said(Instant at, ServiceKind kind, String content) {}

    @Query(
            """
            select s.at, s.kind, s.content from ServiceSaid s where s.machineId = ?1 and s.at >= ?2 and s.at <= ?3""")
    List<Said> services(long machine, Instant from, Instant to);

    @Query(
            """
            select p.at, p.resin, p.ml from PartPlace f join PourMade p on p.vatId = f.partId and p.at >= f.since
            and p.at < f.until where f.machineId = ?1 and p.at >= ?2 and p.at <= ?3""")
    List<Past.Poured> pours(long machine, Instant from, Instant to);

    /** One setting of a version of a profile. */
    record Amount(long version, long profile, String resin, Instant madeAt, Setting setting, double amount) {}

    @Query(
            """
            select v.id, v.profileId, r.code, v.madeAt, a.setting, a.amount from ProfileMade v
            join ResinCard r on r.id = v.resinId join ProfileAmount a on a.versionId = v.id
            where v.machineId = ?1 and v.madeAt <= ?2 order by v.profileId, v.number""")
    List<Amount> settings(long machine, Instant to);

    @Query(
            """
            select t.at, t.temperatureC from MachineCard m join RoomRead t on t.roomId = m.roomId
            where m.id = ?1 and t.at >= ?2 and t.at <= ?3""")
    List<Past.Warmth> typedWarmth(long machine, Instant from, Instant to);

    @Query(
            """
            select w.at, w.celsius, coalesce(w.lowestCelsius, ?4) from ResinMeasured w
            where w.machineId = ?1 and w.at >= ?2 and w.at <= ?3""")
    List<Past.Warmth> measuredWarmth(long machine, Instant from, Instant to, double lowC);

    /** How warm it was in an hour. */
    record Hour(long atS, double temperatureC) {}

    @Query(
            """
            select x.atS, x.temperatureC from MachineCard m join RoomHour x on x.roomId = m.roomId
            where m.id = ?1 and x.atS >= ?2 and x.atS <= ?3""")
    List<Hour> sensedWarmth(long machine, long fromS, long toS);
}
