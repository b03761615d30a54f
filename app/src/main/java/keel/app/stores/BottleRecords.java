package keel.app.stores;

import jakarta.persistence.LockModeType;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface BottleRecords extends JpaRepository<BottleRecord, Long> {

    String VIEW =
            """
            select b.id, b.code, r.id, r.code, r.name, b.lot, b.fullMl, b.leftMl, b.price, b.at, b.expiresOn,
            b.openedAt, b.shakenAt, b.emptiedAt, r.densityGPerMl
            from BottleRecord b join Resin r on r.id = b.resinId
            """;

    @Query(
            VIEW
                    + """
            where ?1 = true or b.emptiedAt is null order by r.name, case when b.emptiedAt is null then 0 else 1 end,
            case when b.openedAt is null then 1 else 0 end, b.expiresOn, b.id""")
    List<Bottles.Bottle> all(boolean empty);

    @Query(VIEW + " where b.code = ?1")
    Optional<Bottles.Bottle> view(String code);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select b from BottleRecord b where b.code = ?1")
    Optional<BottleRecord> lock(String code);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select b from BottleRecord b where b.id = ?1")
    BottleRecord lock(long id);

    /** Item of the stores that counts the sealed bottles of a resin. */
    @Query("select i.code from Resin r join StockItem i on i.id = r.itemId where r.id = ?1")
    Optional<String> countingItem(long resin);

    @Query(nativeQuery = true, value = "select next value for bottle_number")
    long nextNumber();
}
