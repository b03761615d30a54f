package keel.app.floor.find;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import keel.app.fleet.MachineCard;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface FindRecords extends Repository<MachineCard, Long> {

    /** A run as it is found. */
    record RunLine(long id, String job, String machine, Instant at) {}

    @Query(
            """
            select r.id, r.job, m.name, r.startedAt from RunFact r join MachineCard m on m.id = r.machineId
            order by r.startedAt desc""")
    List<RunLine> runs(Limit most);

    /** Of any age, by the number of one or by a part of what was printed; on a machine where one is named. */
    @Query(
            """
            select r.id, r.job, m.name, r.startedAt from RunFact r join MachineCard m on m.id = r.machineId
            where r.id = ?1 or lower(r.job) like ?2 and (?3 = '' or m.name = ?3) order by r.startedAt desc""")
    List<RunLine> older(long number, String job, String machine, Limit most);

    /** A failure as it is found. */
    record FailureLine(long id, String machine, Instant at, String cause) {}

    @Query(
            """
            select f.id, m.name, f.seenAt, f.cause from FailureSeen f join MachineCard m on m.id = f.machineId
            order by f.seenAt desc""")
    List<FailureLine> failures(Limit most);

    @Query(
            """
            select f.id, m.name, f.seenAt, f.cause from FailureSeen f join MachineCard m on m.id = f.machineId
            where f.id = ?1""")
    List<FailureLine> failure(long number);

    /** A symptom of a failure. */
    record Sign(long failure, String symptom) {}

    @Query("select s.failureId, s.symptom from SymptomSeen s where s.failureId in ?1")
    List<Sign> signs(Collection<Long> failures);
}
