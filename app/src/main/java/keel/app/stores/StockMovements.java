package keel.app.stores;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface StockMovements extends JpaRepository<StockMovement, Long> {

    List<StockMovement> findByServiceId(long serviceId);

    boolean existsByItemId(long itemId);

    @Query(
            """
            select m.at, m.quantity, m.reason, w.name from StockMovement m join StockItem i on i.id = m.itemId
            left join StockMover w on w.movementId = m.id where i.code = ?1 order by m.at desc, m.id desc""")
    List<Stock.MovementView> of(String item, Limit most);

    /** What went out of an item on a day. */
    record Out(String item, LocalDate day, double quantity) {}

    @Query(
            """
            select i.code, cast(m.at as LocalDate), -sum(m.quantity) from StockMovement m join StockItem i
            on i.id = m.itemId where m.at >= ?1 and m.quantity < 0 group by i.code, cast(m.at as LocalDate)""")
    List<Out> out(Instant since);

    /** What a print took of an item, all together. */
    record ForRun(String item, long run, double taken) {}

    @Query(
            """
            select i.code, m.runId, -sum(m.quantity) from StockMovement m join StockItem i on i.id = m.itemId
            join RunFact r on r.id = m.runId where r.machineId = ?1 and r.startedAt >= ?2
            group by i.code, m.runId""")
    List<ForRun> takenByRuns(long machine, Instant startedSince);

    /** The same of one run, whatever became of it. */
    @Query(
            """
            select i.code, m.runId, -sum(m.quantity) from StockMovement m join StockItem i on i.id = m.itemId
            where m.runId = ?1 group by i.code, m.runId""")
    List<ForRun> takenByRun(long run);

    /** A run that has ended. */
    record Ended(long run, String job, Instant endedAt) {}

    @Query(
            """
            select r.id, r.job, r.endedAt from RunFact r
            where r.machineId = ?1 and r.startedAt >= ?2 and r.endedAt >= ?3""")
    List<Ended> ended(long machine, Instant startedSince, Instant endedSince);

    /** A run that took something and goes on after all, or was taken back. */
    @Query(
            """
            select r.id, r.job, r.startedAt from RunNotEnded r
            where r.machineId = ?1 and exists (select 1 from StockMovement m where m.runId = r.id)""")
    List<Ended> notEnded(long machine);

    /** How much was printed. */
    record Printed(long count, Instant first) {}

    @Query("select count(r.id), min(r.endedAt) from RunFact r where r.endedAt >= ?1")
    Printed printed(Instant since);
}
