package keel.app.fleet;

import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface QuirkRecords extends JpaRepository<QuirkRecord, Long> {

    /** Open ones, newest first. */
    @Query(
            """
            select q.id, q.scope, q.holder, q.code, q.text, q.workaround, q.notedAt, p.name
            from QuirkRecord q join PersonName p on p.id = q.personId where q.retiredAt is null order by q.id desc""")
    List<Quirk> open();

    /** Who a quirk may be of. */
    record Holder(String machine, String model, String controller, String firmware) {}

    @Query(
            """
            select m.code, m.modelCode, m.controller, f.firmware
            from MachineCard m left join MachineFirmware f on f.machineId = m.id
            where m.retiredAt is null and (:only is null or m.code = :only)""")
    List<Holder> holders(String only);

    @Query(
            """
            select c.id, c.piece, a.name, c.firstShows, b.name, c.secondShows, c.differs, c.at, p.name
            from ComparisonRecord c join Machine a on a.id = c.firstMachineId
            join Machine b on b.id = c.secondMachineId join PersonName p on p.id = c.personId
            order by c.at desc, c.id desc""")
    List<Comparison> comparisons(Limit most);
}
