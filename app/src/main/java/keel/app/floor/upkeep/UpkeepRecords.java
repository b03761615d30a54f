package keel.app.floor.upkeep;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import keel.core.standing.ServiceKind;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface UpkeepRecords extends JpaRepository<UpkeepRule, Long> {

    @Query("select r from UpkeepRule r order by r.name, r.id")
    List<UpkeepRule> byName();

    Optional<UpkeepRule> findByCode(String code);

    /** When a rule was last done or left out, for a machine, a room, or neither. */
    record Last(long rule, Long machine, Long room, Instant at) {}

    @Query(
            """
            select k.ruleId, k.machineId, k.roomId, max(k.at) from UpkeepMark k
            where k.takenBackAt is null and k.kind <> keel.app.floor.upkeep.Marked.PUT_OFF
            group by k.ruleId, k.machineId, k.roomId""")
    List<Last> last();

    /** Put off until when, and when that was said. */
    record PutOff(long rule, Long machine, Long room, Instant at, Instant until) {}

    /** The latest last. */
    @Query(
            """
            select k.ruleId, k.machineId, k.roomId, k.at, k.until from UpkeepMark k
            where k.takenBackAt is null and k.kind = keel.app.floor.upkeep.Marked.PUT_OFF and k.until > ?1
            order by k.at, k.id""")
    List<PutOff> putOff(Instant now);

    /** When a service of a kind was last done to a machine. */
    record Served(long machine, ServiceKind kind, Instant at) {}

    @Query(
            """
            select s.machineId, s.kind, max(s.at) from ServiceDone s
            where s.machineId is not null and s.kind in ?1 group by s.machineId, s.kind""")
    List<Served> served(Collection<ServiceKind> kinds);

    @Query(
            """
            select k.id, k.kind, k.at, k.until, k.note, m.name, o.name, p.name,
            case when k.takenBackAt is null then false else true end
            from UpkeepMark k left join MachineCard m on m.id = k.machineId left join RoomCard o on o.id = k.roomId
            join PersonName p on p.id = k.personId where k.ruleId = ?1 order by k.at desc, k.id desc""")
    List<UpkeepRules.Line> history(long rule, Limit most);

    @Query("select m.code from MachineCard m where m.id = ?1")
    Optional<String> machine(long id);
}
