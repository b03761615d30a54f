package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Modifying;
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

    /** What a run covered of a plate of that size, mm. */
    record NotZoned(long run, String content, double widthMm, double depthMm) {}

    @Query(
            """
            select f.runId, f.content, m.plateWidthMm, m.plateDepthMm from RunFootprint f
            join RunFact r on r.id = f.runId join MachineCard m on m.id = r.machineId
            where f.zones is null order by f.runId""")
    List<NotZoned> withoutZones(Limit most);

    @Modifying
    @Query("update RunFootprint f set f.zones = ?2 where f.runId = ?1")
    void zoned(long run, int zones);

    /** Size of a plate, mm. */
    record Plate(double widthMm, double depthMm) {}

    @Query("select m.plateWidthMm, m.plateDepthMm from RunFact r join MachineCard m on m.id = r.machineId "
            + "where r.id = ?1")
    Plate plateOf(long run);
}
