package keel.app.standing;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import keel.app.fleet.MachineCard;
import keel.core.profile.Setting;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StandingRecords extends JpaRepository<MachineStanding, Long> {

    /** A machine with what was derived of it, null where nothing was yet. */
    record Stands(MachineCard card, MachineStanding standing) {}

    @Query(
            """
            select m, s from MachineCard m left join MachineStanding s on s.machineId = m.id
            where :code is null and m.retiredAt is null or m.code = :code order by m.name""")
    List<Stands> machines(String code);

    @Query("select h from OpenHold h where :only is null or h.machineId = :only order by h.machineId, h.rank")
    List<OpenHold> holds(Long only);

    @Query(
            """
            select c from OpenCause c where c.watched and (:only is null or c.machineId = :only)
            order by c.failureId desc""")
    List<OpenCause> causes(Long only);

    /** Hours that a machine printed. */
    record Printed(long machine, double hours) {}

    @Query(
            """
            select r.machineId, sum(r.hours) from RunFact r where r.startedAt >= :since and r.endedAt is not null
            and (:only is null or r.machineId = :only) group by r.machineId""")
    List<Printed> printed(Instant since, Long only);

    @Query("select r from RunGoingOn r where :only is null or r.machineId = :only")
    List<RunGoingOn> goingOn(Long only);

    /** One setting of a version. */
    record Amount(long version, Setting setting, double amount) {}

    @Query("select s from ReleaseSwitched s where s.runId in ?1 order by s.id")
    List<ReleaseSwitched> switched(Collection<Long> runs);

    @Query("select a.versionId, a.setting, a.amount from ProfileAmount a where a.versionId in ?1")
    List<Amount> settings(Collection<Long> versions);
}
