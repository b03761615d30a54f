package keel.app.bench;

import java.time.Instant;
import java.util.List;
import keel.core.standing.ServiceKind;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ServiceRecords extends JpaRepository<ServiceRecord, Long> {

    /** How often a kind of work was done at a machine since a moment, and when it was done last of all. */
    record Done(ServiceKind kind, long lately, Instant last) {}

    @Query(
            """
            select s.kind, sum(case when s.at >= ?2 then 1L else 0L end), max(s.at) from ServiceRecord s
            where s.machineId = ?1 and not s.withdrawn group by s.kind""")
    List<Done> done(long machine, Instant since);
}
