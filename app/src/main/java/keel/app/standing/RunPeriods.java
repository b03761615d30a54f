package keel.app.standing;

import java.time.Instant;
import java.util.List;
import keel.core.wear.Usage;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface RunPeriods extends Repository<RunPeriod, RunPeriod.Key> {

    @Modifying
    @Query("delete from RunPeriod p where p.machineId = ?1 and p.period >= ?2")
    void forget(long machine, int from);

    @Modifying
    @Query(
            """
            insert into RunPeriod (machineId, period, prints, hours, uvHours, layers, resinMl)
            select r.machineId, r.period, count(r.id), sum(r.hours), sum(r.uvHours), sum(r.peels), sum(r.usedMl)
            from RunFact r where r.machineId = ?1 and r.startedAt >= ?2 and r.endedAt is not null
            group by r.machineId, r.period""")
    void sum(long machine, Instant from);

    /** Whole periods, the first inclusive, the last exclusive. */
    @Query(
            """
            select coalesce(sum(p.hours), 0.0), coalesce(sum(p.uvHours), 0.0), coalesce(sum(p.layers), 0L),
            coalesce(sum(p.prints), 0L), coalesce(sum(p.resinMl), 0.0)
            from RunPeriod p where p.machineId = ?1 and p.period >= ?2 and p.period < ?3""")
    Usage whole(long machine, int from, int to);

    /** Runs that started in a span of time, its end exclusive. */
    @Query(
            """
            select coalesce(sum(r.hours), 0.0), coalesce(sum(r.uvHours), 0.0), coalesce(sum(r.peels), 0L),
            count(r.id), coalesce(sum(r.usedMl), 0.0)
            from RunFact r where r.machineId = ?1 and r.startedAt >= ?2 and r.startedAt < ?3
            and r.endedAt is not null""")
    Usage within(long machine, Instant from, Instant to);

    /** A span on a machine. */
    record OnMachine(long machine, Instant since, Instant until) {}

    @Query("select p.machineId, p.since, p.until from PartOnMachine p where p.partId = ?1")
    List<OnMachine> spans(long part);
}
