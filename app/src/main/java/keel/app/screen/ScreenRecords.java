package keel.app.screen;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import keel.app.fleet.ComponentKind;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface ScreenRecords extends JpaRepository<ScreenPhoto, Long> {

    /** A photograph and who took it. */
    record Taken(ScreenPhoto photo, String person) {}

    @Query(
            """
            select s, p.name from ScreenPhoto s join PersonName p on p.id = s.personId
            where s.id = ?1 and s.machineId = ?2""")
    Optional<Taken> one(long id, long machine);

    /** Photographs of the screen of a machine, the newest first. */
    @Query(
            """
            select s from ScreenPhoto s where s.machineId = ?1 and s.at >= ?2 and s.at < ?3
            order by s.at desc, s.id desc""")
    List<ScreenPhoto> shots(long machine, Instant from, Instant to, Limit most);

    /** A UV map and who made it. */
    record Mapped(UvMapRecord map, String person) {}

    @Query(
            """
            select u, p.name from UvMapRecord u join PersonName p on p.id = u.personId
            where u.machineId = ?1 and not u.withdrawn order by u.at desc, u.id desc""")
    List<Mapped> maps(long machine);

    /** A map of a light engine that is on a machine now, with the size of the plate. */
    record OfLight(UvMapRecord map, double widthMm, double depthMm) {}

    /** Of all light engines that are on machines, the newest first. */
    @Query(
            """
            select u, m.plateWidthMm, m.plateDepthMm from UvMapRecord u
            join PartFitted f on f.id = u.lightId and f.machineId = u.machineId
            join MachineCard m on m.id = u.machineId where not u.withdrawn order by u.at desc, u.id desc""")
    List<OfLight> lightMaps();

    @Query("select u from UvMapRecord u where u.id = ?1 and u.machineId = ?2 and not u.withdrawn")
    Optional<UvMapRecord> map(long id, long machine);

    /** UV hours of a light engine from the runs themselves, without what it had done before. */
    @Query(
            """
            select coalesce(sum(r.uvHours), 0.0) from PartOnMachine p join RunFact r on r.machineId = p.machineId
            and r.startedAt >= p.since and r.startedAt < p.until where p.partId = ?1""")
    double uvHours(long light);

    @Query("select c.baselineUvHours from PartCard c where c.id = ?1")
    double uvHoursBefore(long light);

    /** A service of a machine in full. */
    record Said(long id, long machine, Instant at, boolean clean, String content, String note) {}

    @Query(
            """
            select s.id, s.machineId, s.at, s.clean, s.content, s.note from ServiceSaid s
            where s.machineId = ?1 and s.kind = keel.core.standing.ServiceKind.DRY_RUN order by s.at desc, s.id desc""")
    List<Said> dryRuns(long machine, Limit most);

    @Query("select s.at from ServiceSaid s where s.id = ?1")
    Instant at(long service);

    /** That a screen was inspected. */
    record Inspected(long service, long machine) {}

    /** Inspections of the screens that are in machines now, since they were fitted, the newest first. */
    @Query(
            """
            select s.id, s.machineId from ServiceDone s join PartFitted f on f.machineId = s.machineId
            and f.kind = keel.app.fleet.ComponentKind.SCREEN and s.at >= f.fittedAt
            where s.machineId = ?1 and s.kind = keel.core.standing.ServiceKind.SCREEN_INSPECTED
            order by s.at desc, s.id desc""")
    List<Inspected> inspections(long machine);

    /** The same of all machines. */
    @Query(
            """
            select s.id, s.machineId from ServiceDone s join PartFitted f on f.machineId = s.machineId
            and f.kind = keel.app.fleet.ComponentKind.SCREEN and s.at >= f.fittedAt
            where s.kind = keel.core.standing.ServiceKind.SCREEN_INSPECTED
            order by s.at desc, s.id desc""")
    List<Inspected> inspections();

    /** An inspection in full, and the photograph that it was written down from, null if by eye. */
    record Inspection(long machine, Instant at, boolean clean, String content, Long photo) {}

    @Query(
            """
            select s.machineId, s.at, s.clean, s.content, (select min(p.id) from ScreenPhoto p where p.serviceId = s.id)
            from ServiceSaid s where s.id in ?1 order by s.at desc, s.id desc""")
    List<Inspection> said(Collection<Long> services);

    /** When the window of a machine was last looked at or uncovered. */
    record Window(long machine, Instant at) {}

    @Query(
            """
            select s.machineId, max(s.at) from ServiceDone s where s.kind in
            (keel.core.standing.ServiceKind.WINDOW_INSPECTED, keel.core.standing.ServiceKind.TANK_CHANGE)
            and s.machineId is not null group by s.machineId""")
    List<Window> windows();

    /** A screen or light engine with its model and its machine, each null where there is none. */
    record OpticalRow(
            long id,
            ComponentKind kind,
            String code,
            String serial,
            String batch,
            LocalDate boughtOn,
            LocalDate warrantyUntil,
            Double price,
            Instant since,
            Instant endedAt,
            String endReason,
            Long partModel,
            String modelCode,
            String modelName,
            String revision,
            String source,
            Integer pixelsX,
            Integer pixelsY,
            Double widthMm,
            Double depthMm,
            String ownModel,
            String machine,
            String machineName,
            String machineModel,
            double hours,
            double uvHours) {}

    String PART =
            """
            select c.id, c.kind, c.code, c.serial, c.batch, c.boughtOn, c.warrantyUntil, coalesce(c.price, p.price),
            c.since, c.endedAt, c.endReason, c.partModelId, p.code, p.name, p.revision, p.source, p.pixelsX, p.pixelsY,
            p.widthMm, p.depthMm, o.name, m.code, m.name, m.modelName, u.hours, u.uvHours
            from PartCard c join PartUsage u on u.partId = c.id left join PartModelCard p on p.id = c.partModelId
            left join ModelCard o on o.id = c.modelId
            left join PartPlace f on f.partId = c.id and f.removedAt is null
            left join MachineCard m on m.id = f.machineId
            where c.kind in (keel.app.fleet.ComponentKind.SCREEN, keel.app.fleet.ComponentKind.LIGHT)
            """;

    @Query(PART + "order by c.kind desc, c.number desc")
    List<OpticalRow> parts();

    @Query(PART + "and c.code = ?1")
    Optional<OpticalRow> part(String code);

    /** A model of part fits a model of machine. */
    record Fit(long partModel, String machineModel) {}

    @Query(
            """
            select x.partModelId, o.name from PartModelFit x join ModelCard o on o.id = x.machineModelId
            order by o.name""")
    List<Fit> fits();

    /** A machine that a part was on. */
    record On(long part, String machine, Instant since) {}

    @Query(
            """
            select f.partId, m.name, f.since from PartPlace f join MachineCard m on m.id = f.machineId
            where f.kind in (keel.app.fleet.ComponentKind.SCREEN, keel.app.fleet.ComponentKind.LIGHT)
            order by f.since""")
    List<On> machines();

    @Query("select m.id from MachineCard m")
    List<Long> machineIds();
}
