package keel.app.stores;

import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BathRecords extends JpaRepository<BathRecord, Long> {

    /**
     * A bath in use with its last filling and the last reading since, each null where there is none, and what was
     * carried into it since it was filled, as a first and as a second bath.
     */
    record Filled(
            BathRecord bath,
            BathFill fill,
            BathReading reading,
            Double firstMl,
            long firsts,
            Double secondMl,
            long seconds) {}

    @Query(
            """
            select b, f, r,
            (select sum(w.resinMl) from FinishingRecord w where w.firstBathId = b.id and w.firstAt >= f.at),
            (select count(w.id) from FinishingRecord w where w.firstBathId = b.id and w.firstAt >= f.at),
            (select sum(w.resinMl) from FinishingRecord w where w.secondBathId = b.id and w.secondAt >= f.at),
            (select count(w.id) from FinishingRecord w where w.secondBathId = b.id and w.secondAt >= f.at)
            from BathRecord b
            left join BathFill f on f.id = (select max(x.id) from BathFill x where x.bathId = b.id
              and x.at = (select max(y.at) from BathFill y where y.bathId = b.id))
            left join BathReading r on r.id = (select max(x.id) from BathReading x where x.bathId = b.id
              and x.at >= f.at and x.at = (select max(y.at) from BathReading y where y.bathId = b.id))
            where b.retiredAt is null order by b.id""")
    List<Filled> inUse();

    @Query(
            """
            select count(w.id) from FinishingRecord w where w.doneAt is null and w.dryAt is null
            and (w.firstBathId = ?1 or w.secondBathId = ?1)""")
    long washing(long bath);

    @Query(nativeQuery = true, value = "select next value for bath_number")
    long nextNumber();
}
