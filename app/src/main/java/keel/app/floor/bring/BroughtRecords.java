package keel.app.floor.bring;

import java.time.Instant;
import java.util.List;
import keel.core.bring.BringKind;
import keel.core.standing.ServiceKind;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BroughtRecords extends JpaRepository<Brought, Long> {

    @Query("select r.subject from BroughtRow r where r.broughtId = ?1 order by r.id")
    List<String> subjects(long brought);

    /** A table that was brought in, and how much of it was written. */
    record Batch(
            long id, BringKind kind, String fileName, Instant at, String person, Instant takenBackAt, long written) {}

    @Query(
            """
            select b.id, b.kind, b.fileName, b.at, p.name, b.takenBackAt,
            (select count(r.id) from BroughtRow r where r.broughtId = b.id)
            from Brought b join PersonName p on p.id = b.personId order by b.at desc, b.id desc""")
    List<Batch> latest(Limit most);

    @Query("select count(r.id) from RunFact r where r.machineId = ?1 and r.startedAt = ?2")
    long runsAt(long machine, Instant startedAt);

    @Query("select count(s.id) from ServiceDone s where s.machineId = ?1 and s.kind = ?2 and s.at = ?3")
    long servicesAt(long machine, ServiceKind kind, Instant at);

    @Query("select count(f.id) from FailureSeen f where f.machineId = ?1 and f.seenAt = ?2")
    long failuresAt(long machine, Instant seenAt);
}
