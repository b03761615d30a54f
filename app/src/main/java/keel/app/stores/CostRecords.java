package keel.app.stores;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import keel.core.run.Outcome;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface CostRecords extends Repository<StockOrder, Long> {

    /** A run that has ended, and what it used. */
    record Ran(
            long id,
            long machine,
            String job,
            Instant startedAt,
            Outcome outcome,
            double hours,
            double uvHours,
            double usedMl,
            Long profileVersion) {}

    String RAN =
            """
            select r.id, r.machineId, r.job, r.startedAt, r.outcome, r.hours, r.uvHours, r.usedMl, r.profileVersionId
            from RunFact r where r.endedAt is not null\s""";

    @Query(RAN + "and r.startedAt >= ?1 and r.startedAt < ?2 order by r.startedAt")
    List<Ran> between(Instant from, Instant to);

    @Query(RAN + "and r.machineId = ?1 and r.startedAt >= ?2 and r.startedAt < ?3 order by r.startedAt")
    List<Ran> ofMachine(long machine, Instant from, Instant to);

    @Query(RAN + "and r.id = ?1")
    Optional<Ran> one(long id);

    /** Resin that was lost at a clean-up; resin null where it is not known which. */
    record Lost(long machine, Instant at, double ml, String resin) {}

    @Query(
            """
            select s.machineId, s.at, s.lostMl, r.code from ServiceDone s left join Resin r on r.id = s.lostResinId
            where s.lostMl > 0 and s.machineId is not null and s.at >= ?1 and s.at < ?2""")
    List<Lost> lost(Instant from, Instant to);

    /** How many prints of a machine came out. */
    record Fared(long cameOut, long prints) {}

    @Query(
            """
            select coalesce(sum(case when r.cameOut then 1L else 0L end), 0L), count(r.id)
            from RunFact r join MachineCard m on m.id = r.machineId
            where m.code = ?1 and r.startedAt >= ?2 and r.endedAt is not null""")
    Fared fared(String machine, Instant since);

    /** The cause of a run's failure. */
    record Cause(long run, String cause) {}

    @Query(
            """
            select f.runId, max(f.cause) from FailureSeen f
            where f.runId is not null and f.cause is not null and f.seenAt >= ?1 group by f.runId""")
    List<Cause> causes(Instant since);

    /** A machine, those that left the shop too. */
    record Machine(long id, String code, String name) {}

    @Query("select m.id, m.code, m.name from MachineCard m")
    List<Machine> machines();

    /** The resin of a version of settings. */
    record ResinOf(long version, String resin) {}

    @Query("select v.id, r.code from ProfileMade v join Resin r on r.id = v.resinId")
    List<ResinOf> resins();
}
