package keel.app.stores;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Query;

interface BathRecords extends JpaRepository<BathRecord, Long> {

    /** A bath in use with its last filling and the last reading since, each null where there is none. */
    record Filled(BathRecord bath, BathFill fill, BathReading reading) {}

    @Query(
            """
            select b, f, r from BathRecord b
            left join BathFill f on f.id = (select max(x.id) from BathFill x where x.bathId = b.id
              and x.at = (select max(y.at) from BathFill y where y.bathId = b.id))
            left join BathReading r on r.id = (select max(x.id) from BathReading x where x.bathId = b.id
              and x.at >= f.at and x.at = (select max(y.at) from BathReading y where y.bathId = b.id))
            where b.retiredAt is null order by b.id""")
    List<Filled> inUse();

    /** What was carried into a bath since its last filling. */
    record Carried(double ml, long prints) {}

    @Query(
            """
            select coalesce(sum(w.resinMl), 0.0), count(w.id) from FinishingRecord w
            where w.firstBathId = ?1 and w.firstAt >= ?2""")
    Carried first(long bath, Instant since);

    @Query(
            """
            select coalesce(sum(w.resinMl), 0.0), count(w.id) from FinishingRecord w
            where w.secondBathId = ?1 and w.secondAt >= ?2""")
    Carried second(long bath, Instant since);

    @Query(
            """
            select count(w.id) from FinishingRecord w where w.doneAt is null and w.dryAt is null
            and (w.firstBathId = ?1 or w.secondBathId = ?1)""")
    long washing(long bath);

    @Query(nativeQuery = true, value = "select next value for bath_number")
    long nextNumber();
}
