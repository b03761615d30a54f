package keel.app.prints.order;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import keel.core.run.Outcome;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface OrderRecords extends JpaRepository<PartOrder, Long> {

    @Query(
            """
            select distinct o from PartOrder o join fetch o.parts where o.closedAt is null
            order by o.askedAt, o.id""")
    List<PartOrder> open();

    @Query("select o from PartOrder o where o.closedAt is not null order by o.closedAt desc, o.id desc")
    List<PartOrder> closed(Limit most);

    @Query("select p.order.id from OrderPart p where p.id = ?1")
    long orderOf(long part);

    /** A part on the plate of a run that counts. */
    record Lies(
            long part,
            long run,
            int planned,
            Integer counted,
            Outcome outcome,
            String job,
            String machine,
            Instant startedAt) {}

    @Query(
            """
            select rp.partId, rp.runId, rp.planned, rp.counted, r.outcome, r.job, m.name, r.startedAt
            from RunPart rp join RunFact r on r.id = rp.runId join MachineCard m on m.id = r.machineId
            where rp.partId in ?1 order by r.startedAt, r.id""")
    List<Lies> prints(Collection<Long> parts);

    @Query("select rp from RunPart rp where rp.runId = ?1 order by rp.partId")
    List<RunPart> ofRun(long run);

    @Query("select jp from WantedJobPart jp where jp.jobId in ?1 order by jp.partId")
    List<WantedJobPart> ofJobs(Collection<Long> jobs);

    /** Of these parts those that lie on a plate that waits, or waited. */
    @Query("select distinct jp.partId from WantedJobPart jp where jp.partId in ?1")
    List<Long> planned(Collection<Long> parts);

    @Query("select p.name from PersonName p where p.id = ?1")
    Optional<String> person(long id);
}
