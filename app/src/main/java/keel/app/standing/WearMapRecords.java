package keel.app.standing;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface WearMapRecords extends JpaRepository<WearMapRecord, Long> {

    /** A part that wears a place at a time: its plate, its meter and its map, both null where there is none yet. */
    record Worn(long part, double widthMm, double depthMm, Meter meter, WearMapRecord map) {}

    @Query(
            """
            select c.id, o.plateWidthMm, o.plateDepthMm, t, w from PartCard c join PartPlate o on o.partId = c.id
            left join Meter t on t.scope = keel.app.standing.MeterScope.COMPONENT and t.ownerId = c.id
            left join WearMapRecord w on w.componentId = c.id
            where c.id = ?1 and c.kind in (keel.app.fleet.ComponentKind.FILM, keel.app.fleet.ComponentKind.SCREEN)""")
    Optional<Worn> worn(long part);

    /** What a run did to the part that was on its machine; {@code footprint} null where nobody said. */
    record Printed(Instant startedAt, double uvHours, long layers, String footprint) {}

    @Query(
            """
            select r.startedAt, r.uvHours, r.peels, f.content from PartOnMachine p join RunFact r
            on r.machineId = p.machineId and r.startedAt >= p.since and r.startedAt < p.until
            left join RunFootprint f on f.runId = r.id
            where p.partId = ?1 and r.startedAt > ?2 and r.endedAt is not null""")
    List<Printed> printed(long part, Instant after);

    /** Parts that were on the machine of a run when it started. */
    @Query(
            """
            select w.componentId from RunFact r join PartOnMachine p on p.machineId = r.machineId
            and p.since <= r.startedAt and p.until > r.startedAt join WearMapRecord w on w.componentId = p.partId
            where r.id = ?1""")
    List<Long> ofRun(long run);
}
