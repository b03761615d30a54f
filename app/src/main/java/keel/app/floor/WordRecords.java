package keel.app.floor;

import java.time.Instant;
import java.util.List;
import keel.core.quick.Vocabulary.Word;
import keel.core.standing.LevelJoint;
import keel.core.standing.MachineKind;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** Names that a line may use. */
interface WordRecords extends Repository<QuickEntry, Long> {

    @Query("select r.code, r.name, '' from RoomCard r where r.retiredAt is null order by r.name")
    List<Word> rooms();

    @Query("select i.code, i.name, i.unit from StockCard i where i.retiredAt is null order by i.name")
    List<Word> items();

    @Query("select r.code, r.name, '' from ResinCard r where r.retiredAt is null order by r.name")
    List<Word> resins();

    @Query(
            """
            select v.code, 'Vat ' || v.code, '' from PartCard v
            where v.kind = keel.app.fleet.ComponentKind.VAT and v.endedAt is null order by v.number""")
    List<Word> vats();

    @Query("select b.code, b.resinName, '' from BottleLabel b order by b.code")
    List<Word> bottles();

    /** A machine with what a line about it needs. */
    record MachineRow(
            long id,
            String code,
            String name,
            MachineKind kind,
            boolean selfLevelling,
            boolean levelsAfterEachPrint,
            boolean wholeAreaLight,
            LevelJoint levelJoint,
            String levellingSchool,
            String resin,
            Double hours,
            Long layers) {}

    @Query(
            """
            select m.id, m.code, m.name, m.kind, m.selfLevelling, m.levelsAfterEachPrint, m.wholeAreaLight,
            m.levelJoint, m.levellingSchool, s.resin, s.hours, s.layers from MachineCard m
            left join MachineDone s on s.machineId = m.id where m.retiredAt is null order by m.name""")
    List<MachineRow> machines();

    /** The exposure of the last run of a machine. */
    record Exposure(long machine, double exposureS) {}

    @Query(
            """
            select r.machineId, r.layerExposureS from
            (select x.machineId as machineId, max(x.startedAt) as at from RunFact x where x.startedAt >= ?1
            group by x.machineId) l
            join RunFact r on r.machineId = l.machineId and r.startedAt = l.at""")
    List<Exposure> exposures(Instant since);
}
