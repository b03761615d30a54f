package keel.app.standing;

import java.time.Instant;
import java.util.List;
import keel.core.standing.ServiceKind;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface MeterRecords extends JpaRepository<Meter, Meter.Key> {

    /** Parts that were on a machine since a moment, films by way of their vat. */
    @Query("select distinct p.partId from PartOnMachine p where p.machineId = ?1 and p.until >= ?2")
    List<Long> partsOn(long machine, Instant since);

    /** Since a moment; null where it was not done since then. */
    @Query(
            """
            select max(s.at) from ServiceDone s
            where s.machineId = ?1 and s.kind = ?2 and s.at >= ?3 and not s.deburred""")
    Instant lastDone(long machine, ServiceKind kind, Instant since);

    default boolean everDone(long machine, ServiceKind kind) {
        return lastDone(machine, kind, Instant.EPOCH) != null;
    }

    @Query(
            """
            select max(s.at) from ServiceDone s
            where s.machineId = ?1 and s.kind = ?2 and s.at <= ?3 and not s.deburred""")
    Instant lastDoneBefore(long machine, ServiceKind kind, Instant at);

    /** What was known of a machine when it came; each null where nobody said. */
    record Before(Double lubricatedH, Double abradedH, boolean vatEmpty) {

        Double of(ServiceKind kind) {
            return switch (kind) {
                case LUBRICATION -> lubricatedH;
                case PLATE_WORK -> abradedH;
                default -> null;
            };
        }
    }

    @Query(
            """
            select b.lubricatedBeforeHours, b.abradedBeforeHours, b.vatSaidEmpty from MachineBefore b
            where b.machineId = ?1""")
    Before before(long machine);

    /** Of parts whose coming in was taken back. */
    @Query(
            """
            select m from Meter m where m.scope = keel.app.standing.MeterScope.COMPONENT
            and m.ownerId in (select p.id from PartTakenBack p)""")
    List<Meter> takenBack();

    @Query(
            """
            select m from Meter m where m.scope <> keel.app.standing.MeterScope.COMPONENT
            and (:only is null or m.ownerId = :only)""")
    List<Meter> ofMachines(Long only);
}
