package keel.app.prints;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface LookInRecords extends JpaRepository<LookInRecord, Long> {

    @Query(
            """
            select l.id, l.kind, l.dueAt, l.layer, l.lookedAt, l.seen, p.name from LookInRecord l
            left join PersonName p on p.id = l.personId
            where l.runId = ?1 order by coalesce(l.lookedAt, l.dueAt), l.id""")
    List<LookInView> of(long run);

    @Query(
            """
            select m.code, m.name, r.id, r.job, l.kind, l.dueAt, l.layer from LookInRecord l
            join Run r on r.id = l.runId join MachineCard m on m.id = r.machineId
            where l.lookedAt is null and l.dueAt <= ?1 and r.endedAt is null and not r.withdrawn
            and l.dueAt = (select max(x.dueAt) from LookInRecord x where x.runId = r.id and x.lookedAt is null
            and x.dueAt <= ?1)
            order by l.dueAt""")
    List<LookDue> due(Instant by);

    @Query("select l from LookInRecord l where l.runId = ?1 and l.lookedAt is null and l.dueAt <= ?2")
    List<LookInRecord> open(long run, Instant by);

    /** Looks that were due since then, with when somebody looked; null where nobody did. */
    @Query(
            """
            select new keel.app.prints.LookKept(l.dueAt, l.lookedAt) from LookInRecord l join Run r on r.id = l.runId
            where l.dueAt >= ?1 and l.dueAt < ?2 and not r.withdrawn and (r.endedAt is null or r.endedAt > l.dueAt)""")
    List<LookKept> kept(Instant from, Instant to);
}
