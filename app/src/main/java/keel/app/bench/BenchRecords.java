package keel.app.bench;

import java.time.Instant;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface BenchRecords extends Repository<ServiceRecord, Long> {

    /** Parts that dry; run and job null where nobody knows from which print they are. */
    @Query(
            """
            select m.code, m.name, r.job, r.id, s.dryingUntil from ServiceRecord s
            join MachineCard m on m.id = s.machineId
            left join RunFact r on r.id = (select max(x.id) from RunFact x where x.machineId = s.machineId
            and x.endedAt <= s.at and x.startedAt >= ?2)
            where s.dryingUntil > ?1 and not s.withdrawn
            and not exists (select 1 from FinishingBegun f where f.runId = r.id) order by s.dryingUntil""")
    List<Drying.Lot> drying(Instant until, Instant startedSince);

    @Query(
            """
            select s from ServiceRecord s where s.machineId = ?1
            and s.kind = keel.core.standing.ServiceKind.LEVELLING and not s.withdrawn and s.readings
            order by s.at desc""")
    List<ServiceRecord> levellings(long machine, Limit most);
}
