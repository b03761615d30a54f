package keel.app.prints;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import keel.core.standing.ServiceKind;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface RunRecords extends JpaRepository<Run, Long> {

    String VIEW =
            """
            select new keel.app.prints.RunView(r.id, m.code, m.name, r.job, r.startedAt, r.endedAt, r.layers,
            r.layerExposureS, r.resinMl, r.outcome, r.reachedLayer, r.hours, r.uvHours, r.peels, r.usedMl,
            r.measuredMl, r.cameOut, r.withdrawn, r.version, v.number, r.detail, r.layersGuessed, r.exposureGuessed,
            r.resinGuessed)
            from Run r join MachineCard m on m.id = r.machineId left join ProfileVersion v on v.id = r.profileVersionId
            """;

    @Query(VIEW + "where r.id = ?1")
    Optional<RunView> view(long id);

    /** Runs of a name, those on a machine first, of these the newest. */
    @Query(
            """
            select f.id from RunFact f join MachineCard m on m.id = f.machineId where f.jobKey = ?1
            order by case when m.code = ?2 then 0 else 1 end, f.startedAt desc""")
    List<Long> named(String key, String machine, Limit most);

    @Query("select m.id from MachineCard m where m.code = ?1")
    Optional<Long> machine(String code);

    /** Sums over runs of which all numbers were known. */
    record Printed(Double hours, Long layers, Double uvHours, Double ml) {}

    /** @param machine null for all of the shop */
    @Query(
            """
            select sum(r.hours), sum(r.peels), sum(r.uvHours), sum(r.usedMl) from Run r
            where (?1 is null or r.machineId = ?1) and r.endedAt is not null and not r.withdrawn
            and not r.layersGuessed and not r.exposureGuessed and not r.resinGuessed""")
    Printed printed(Long machine);

    /** Ended runs in brief. */
    record Brief(String machine, Instant startedAt, double hours, boolean cameOut) {}

    @Query(
            """
            select m.code, r.startedAt, r.hours, r.cameOut from Run r join MachineCard m on m.id = r.machineId
            where r.startedAt >= ?1 and r.endedAt is not null and not r.withdrawn""")
    List<Brief> endedSince(Instant from);

    @Query(
            """
            select m.code, r.startedAt, r.hours, r.cameOut from Run r join MachineCard m on m.id = r.machineId
            where r.startedAt >= ?1 and r.startedAt < ?2 and r.endedAt is not null and not r.withdrawn""")
    List<Brief> endedBetween(Instant from, Instant to);

    /** How many prints of a machine ended, and how many of them came out. */
    record Ended(String machine, long prints, long good) {}

    @Query(
            """
            select m.code, count(r.id), sum(case when r.cameOut then 1L else 0L end)
            from Run r join MachineCard m on m.id = r.machineId
            where r.startedAt >= ?1 and r.endedAt is not null and not r.withdrawn group by m.code""")
    List<Ended> ended(Instant from);

    /** Whether each of the last runs of a machine came out, the newest first. */
    @Query(
            """
            select r.cameOut from Run r where r.machineId = ?1 and r.endedAt is not null and not r.withdrawn
            order by r.startedAt desc""")
    List<Boolean> lastOutcomes(long machine, Limit most);

    @Query("select r.againOf from Run r where r.id = ?1")
    Optional<Long> before(long run);

    @Query("select r.id from Run r where r.againOf = ?1 and not r.withdrawn order by r.startedAt")
    List<Long> after(long run, Limit most);

    @Query("select f.id from FailureSeen f where f.runId = ?1 order by f.id")
    List<Long> failuresOf(long run);

    @Query("select min(f.id) from FailureSeen f where f.runId = ?1")
    Long failureOf(long run);

    @Query(
            """
            select s.kind from ServiceDone s join MachineCard m on m.id = s.machineId
            where m.code = ?1 and s.at >= ?2 and s.at <= ?3 order by s.at""")
    List<ServiceKind> services(String machine, Instant from, Instant to);

    @Query(
            """
            select count(v.id) from ProfileVersion v join Profile p on p.id = v.profileId
            join MachineCard m on m.id = p.machineId
            where m.code = ?1 and v.number > 1 and v.madeAt >= ?2 and v.madeAt <= ?3""")
    long newSettings(String machine, Instant from, Instant to);
}
