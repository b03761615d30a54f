package keel.app.standing;

import java.time.Instant;
import java.util.List;
import keel.core.standing.MachineEvent;
import keel.core.standing.ServiceKind;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What the rules ask of the facts. */
interface FactRecords extends Repository<ServiceDone, Long> {

    @Query("select max(r.endedAt) from RunFact r where r.machineId = ?1 and r.startedAt >= ?2")
    Instant lastEnd(long machine, Instant startedSince);

    /** Services but those that come with every print. */
    @Query(
            """
            select s.at, s.kind, s.clean, s.emptied, s.leak from ServiceDone s
            where s.machineId = ?1 and s.kind not in (keel.core.standing.ServiceKind.PLATE_CLEARED,
            keel.core.standing.ServiceKind.LEVELLING)""")
    List<MachineEvent.ServiceDone> services(long machine);

    @Query("select max(s.at) from ServiceDone s where s.machineId = ?1 and s.kind = ?2 and s.at >= ?3")
    Instant lastDone(long machine, ServiceKind kind, Instant since);

    /** A failure with one symptom that was there, null for none. */
    record Seen(long failure, Instant at, String symptom) {}

    @Query(
            """
            select f.id, f.seenAt, s.symptom from FailureSeen f left join SymptomSeen s on s.failureId = f.id
            where f.machineId = ?1""")
    List<Seen> failures(long machine);

    @Query("select l.at from LeakFound l where l.machineId = ?1")
    List<Instant> leaks(long machine);

    @Query("select max(s.at) from ServiceDone s where s.vatId = ?1 and s.emptied")
    Instant lastEmptied(long vat);

    @Query(
            """
            select p.at, p.resin, p.ml, p.kind from PourMade p
            where p.vatId = ?1 and p.at >= ?2 and (p.kind is null or p.kind <> 'SIEVE')""")
    List<PourMade.Into> pours(long vat, Instant from);

    /** Printed out of a vat. */
    record Printed(Instant at, double ml) {}

    @Query(
            """
            select r.endedAt, r.usedMl from PartPlace f join RunFact r on r.machineId = f.machineId
            and r.startedAt >= f.since and r.startedAt < f.until
            where f.partId = ?1 and f.until > ?2 and r.endedAt is not null and r.startedAt >= ?2""")
    List<Printed> printed(long vat, Instant from);

    @Query(
            """
            select s.at, s.resinLeftMl from ServiceDone s
            where s.vatId = ?1 and s.at >= ?2 and s.resinLeftMl is not null""")
    List<Printed> measured(long vat, Instant from);

    /** Lost out of a vat that was not emptied. */
    @Query(
            """
            select s.at, s.lostMl from ServiceDone s
            where s.vatId = ?1 and s.at >= ?2 and s.lostMl > 0 and not s.emptied""")
    List<Printed> lost(long vat, Instant from);

    /** When a hole in the film that is in a vat was cured shut last; null if it has none. */
    @Query(
            """
            select max(s.at) from PartPlace f join ServiceDone s on s.vatId = f.vatId
            and s.kind = keel.core.standing.ServiceKind.HOLE_CURED and s.at >= f.since
            where f.vatId = ?1 and f.removedAt is null""")
    Instant holeCured(long vat);

    @Query(
            """
            select max(s.at) from ServiceDone s
            where s.vatId = ?1 and s.kind = keel.core.standing.ServiceKind.VAT_INSPECTED and s.clean""")
    Instant lastCleanLook(long vat);

    @Query("select p.partId from PartPlace p where p.machineId = ?1 and p.kind = keel.app.fleet.ComponentKind.VAT "
            + "and p.removedAt is null")
    Long vatOn(long machine);

    @Query(
            """
            select count(c.id) from PartPlace p join PartCard c on c.id = p.partId and c.endedAt is null
            where p.vatId = ?1 and p.removedAt is null""")
    long filmsInUse(long vat);

    @Query(
            """
            select count(c.id) from PartPlace p join PartCard c on c.id = p.partId and c.endedAt is null
            where p.machineId = ?1 and p.kind = keel.app.fleet.ComponentKind.SCREEN and p.removedAt is null""")
    long screensInUse(long machine);

    @Query(
            """
            select max(greatest(coalesce(p.removedAt, p.since), coalesce(c.endedAt, p.since)))
            from PartPlace p join PartCard c on c.id = p.partId where p.machineId = ?1""")
    Instant lastChange(long machine);
}
