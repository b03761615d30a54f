package keel.app.floor.evidence;

import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.MachineCard;
import keel.core.failure.Certainty;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

interface EvidenceRecords extends Repository<MachineCard, Long> {

    /** A machine, those that left the shop too. */
    record MachineLine(long id, String code, String name, String model, String controller, Instant since) {}

    @Query("select m.id, m.code, m.name, m.modelName, m.controller, m.since from MachineCard m where m.code = ?1")
    Optional<MachineLine> machine(String code);

    @Query("select count(m.id) from MachineCard m where m.modelName = ?1")
    long ofModel(String model);

    /** A part with what it is and what it has done since it was new, as far as that is known. */
    record PartLine(
            long id,
            ComponentKind kind,
            String code,
            String material,
            Double thicknessMm,
            String serial,
            String batch,
            LocalDate boughtOn,
            LocalDate warrantyUntil,
            Double price,
            Instant since,
            Instant endedAt,
            String endReason,
            String pack,
            String model,
            double hours,
            double uvHours,
            long prints,
            double hoursBefore) {}

    @Query(
            """
            select c.id, c.kind, c.code, c.material, c.thicknessMm, c.serial, c.batch, c.boughtOn, c.warrantyUntil,
            c.price, c.since, c.endedAt, c.endReason, k.code, m.name, u.hours, u.uvHours, u.prints, c.baselineHours
            from PartCard c join PartUsage u on u.partId = c.id left join FilmPackCard k on k.id = c.packId
            left join PartModelCard m on m.id = c.partModelId where c.code = ?1""")
    Optional<PartLine> part(String code);

    /** A time of a part on a machine. */
    record OnMachine(long machine, String code, String name, Instant since, Instant until) {}

    @Query(
            """
            select p.machineId, m.code, m.name, p.since, p.until from PartOnMachine p
            join MachineCard m on m.id = p.machineId where p.partId in ?1 order by p.since""")
    List<OnMachine> spells(Collection<Long> parts);

    /** What stands on a pack. */
    record PackLine(
            long id,
            String code,
            String supplier,
            String lot,
            String material,
            double thicknessMm,
            int sheets,
            int spoiled,
            Double price,
            Instant at) {}

    @Query(
            """
            select p.id, p.code, p.supplier, p.lot, p.material, p.thicknessMm, p.sheets, p.spoiled, p.price, p.at
            from PackLabel p where p.code = ?1""")
    Optional<PackLine> pack(String code);

    @Query("select c.id from PartCard c where c.packId = ?1")
    List<Long> filmsOf(long pack);

    /** What stands on a bottle. */
    record BottleLine(
            long id,
            String code,
            String resin,
            String resinName,
            String lot,
            double fullMl,
            Double price,
            Instant at,
            Instant openedAt,
            LocalDate expiresOn) {}

    @Query(
            """
            select b.id, b.code, b.resin, b.resinName, b.lot, b.fullMl, b.price, b.at, b.openedAt, b.expiresOn
            from BottleLabel b where b.code = ?1""")
    Optional<BottleLine> bottle(String code);

    /** A bottle that was poured into the vat of a machine. */
    record Poured(long machine, String code, String name, Instant at, Long bottle) {}

    /** Into whatever machine ever got something of a bottle, by machine and time. */
    @Query(
            """
            select x.machineId, m.code, m.name, p.at, p.bottleId from PourMade p
            join PartOnMachine x on x.partId = p.vatId and x.since <= p.at and x.until > p.at
            join MachineCard m on m.id = x.machineId
            where p.ml > 0 and p.bottleId is not null and x.machineId in (select y.machineId from PourMade q
              join PartOnMachine y on y.partId = q.vatId and y.since <= q.at and y.until > q.at
              where q.bottleId = ?1 and q.ml > 0)
            order by x.machineId, p.at, p.id""")
    List<Poured> poured(long bottle);

    /** A failure that was logged; {@code at} is when its print began, or when it was seen where it is of none. */
    record Logged(long id, Long run, long machine, Instant at, String cause, Certainty certainty) {}

    @Query(
            """
            select f.id, f.runId, f.machineId, coalesce(r.startedAt, f.seenAt), f.cause, f.certainty
            from FailureSeen f left join RunFact r on r.id = f.runId
            where f.machineId in ?1 and f.seenAt >= ?2 and f.seenAt < ?3 order by f.seenAt""")
    List<Logged> logged(Collection<Long> machines, Instant from, Instant to);

    /** A symptom of a failure. */
    record Seen(long failure, String symptom) {}

    @Query("select s.failureId, s.symptom from SymptomSeen s where s.machineId in ?1 and s.seenAt >= ?2")
    List<Seen> symptoms(Collection<Long> machines, Instant from);

    /** A print that ended. */
    record Ended(long machine, Instant startedAt, boolean cameOut) {}

    @Query(
            """
            select r.machineId, r.startedAt, r.cameOut from RunFact r
            where r.machineId in ?1 and r.startedAt >= ?2 and r.startedAt < ?3 and r.endedAt is not null""")
    List<Ended> ended(Collection<Long> machines, Instant from, Instant to);

    /** How far a run came. */
    record Reached(long run, int layers, Integer reached) {}

    @Query(
            """
            select r.id, r.layers, r.reachedLayer from RunFact r where r.machineId in ?1 and r.startedAt >= ?2
            and r.cameOut = false""")
    List<Reached> reached(Collection<Long> machines, Instant from);
}
