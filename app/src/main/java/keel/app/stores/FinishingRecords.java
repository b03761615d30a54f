package keel.app.stores;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface FinishingRecords extends JpaRepository<FinishingRecord, Long> {

    String VIEW =
            """
            select r.id, m.id, m.code, m.name, r.job, r.endedAt, r.usedMl, f.supports, a.code, f.firstAt, b.code,
            f.secondAt, f.resinMl, f.dryAt, f.drying, f.cureAt, f.doneAt, f.finish, s.washedIn
            """;

    String OF =
            """
            left join BathRecord a on a.id = f.firstBathId left join BathRecord b on b.id = f.secondBathId
            left join ProfileMade v on v.id = r.profileVersionId left join Resin s on s.id = v.resinId
            """;

    /** On their way, and those that came out lately and were not begun; ended last first. */
    @Query(VIEW
            + "from RunFact r join MachineCard m on m.id = r.machineId left join FinishingRecord f on f.runId = r.id "
            + OF
            + """
            where r.cameOut and f.doneAt is null and r.endedAt >= ?1 order by r.endedAt desc""")
    List<Finishing.Print> lately(Instant endedSince, Limit most);

    @Query(VIEW + "from FinishingRecord f join RunFact r on r.id = f.runId join MachineCard m on m.id = r.machineId "
            + OF
            + """
            where f.doneAt is null and r.cameOut and r.endedAt < ?1 order by r.endedAt desc""")
    List<Finishing.Print> stillOpen(Instant endedBefore, Limit most);

    @Query(VIEW + "from FinishingRecord f join RunFact r on r.id = f.runId join MachineCard m on m.id = r.machineId "
            + OF + "where f.doneAt is not null order by f.doneAt desc")
    List<Finishing.Print> done(Limit most);

    @Query(VIEW
            + "from RunFact r join MachineCard m on m.id = r.machineId left join FinishingRecord f on f.runId = r.id "
            + OF + "where r.id = ?1 and r.endedAt is not null")
    Optional<Finishing.Print> one(long run);

    Optional<FinishingRecord> findByRunId(long run);

    @Query("select b.id from BathRecord b where b.code = ?1")
    Optional<Long> bath(String code);

    /** How often a school took part in a filling of a first bath, and how many prints that bath took. */
    record Fill(long fill, long prints, long supportsOffFirst) {}

    /** Fillings that were followed by another. */
    @Query(
            """
            select f.id, count(w.id), sum(case when w.supports = 'OFF_FIRST' then 1L else 0L end)
            from BathFill f join FinishingRecord w on w.firstBathId = f.bathId and w.firstAt >= f.at
            and w.firstAt < (select min(x.at) from BathFill x where x.bathId = f.bathId and x.at > f.at)
            where w.supports is not null group by f.id""")
    List<Fill> fills();

    /** How prints of a school came out. */
    record Fared(String school, long prints, long tacky, long bloom) {}

    @Query(
            """
            select f.supports, count(f.id),
            sum(case when f.finish = keel.app.stores.Finishing.Finish.TACKY then 1L else 0L end),
            sum(case when f.finish = keel.app.stores.Finishing.Finish.BLOOM then 1L else 0L end)
            from FinishingRecord f where f.doneAt is not null and f.supports is not null
            group by f.supports order by f.supports desc""")
    List<Fared> fared();

    /** Prints that went into a bath since then. */
    @Query(
            """
            select new keel.app.stores.Bathed(f.firstAt, f.dryAt, case when f.secondAt is null then 1 else 2 end)
            from FinishingRecord f where f.firstAt >= ?1""")
    List<Bathed> bathed(Instant since);
}
