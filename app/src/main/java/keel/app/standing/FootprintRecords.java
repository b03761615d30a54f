package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FootprintRecords extends JpaRepository<RunFootprint, Long> {

    @Query(
            """
            select r.id from RunFact r join RunFootprint f on f.runId = r.id
            where r.jobKey = lower(?2) and r.machineId = ?1 order by r.startedAt desc""")
    List<Long> last(long machine, String job, Limit most);

    /** The same on any machine of the same model. */
    @Query(
            """
            select r.id from RunFact r join RunFootprint f on f.runId = r.id join MachineCard m on m.id = r.machineId
            where r.jobKey = lower(?2) and m.modelId = (select x.modelId from MachineCard x where x.id = ?1)
            order by r.startedAt desc""")
    List<Long> lastOfModel(long machine, String job, Limit most);

    /** What a run covered. */
    record Covered(long machine, String content) {}

    @Query(
            """
            select x.machineId, x.content from (select r.machineId as machineId, f.content as content,
            row_number() over (partition by r.machineId order by r.startedAt desc) as n
            from RunFact r join RunFootprint f on f.runId = r.id
            where r.machineId in ?1 and r.startedAt >= ?3) x
            where x.n <= ?2 order by x.machineId, x.n""")
    List<Covered> recent(Collection<Long> machines, int most, Instant since);

    @Query("select f from RunFootprint f where f.zones is null and f.runId in (select r.id from RunFact r)")
    List<RunFootprint> withoutZones();

    /** Size of a plate, mm. */
    record Plate(double widthMm, double depthMm) {}

    @Query("select m.plateWidthMm, m.plateDepthMm from RunFact r join MachineCard m on m.id = r.machineId "
            + "where r.id = ?1")
    Plate plateOf(long run);
}
