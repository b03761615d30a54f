package keel.app.stores;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Modifying;
import org.springframework.data.jpa.repository.Query;

interface StockItems extends JpaRepository<StockItem, Long> {

    @Query("select x from StockItem x where x.code = ?1")
    Optional<StockItem> findByCode(String code);

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select x from StockItem x where x.id = ?1")
    StockItem lock(long id);

    @Query("select x.onHand from StockItem x where x.id = ?1")
    double onHand(long id);

    @Modifying
    @Query(
            """
            update StockItem x set x.onHand = x.onHand + ?2, x.firstMovedAt = least(coalesce(x.firstMovedAt, ?3), ?3),
            x.lastMovedAt = greatest(coalesce(x.lastMovedAt, ?3), ?3) where x.id = ?1""")
    void moved(long id, double quantity, Instant at);

    /** What an item's movements add up to, as it is kept. */
    record Kept(String code, double onHand, Instant firstMovedAt, Instant lastMovedAt) {

        List<?> figures() {
            return Arrays.asList(onHand, firstMovedAt, lastMovedAt);
        }
    }

    @Query("select i.code, i.onHand, i.firstMovedAt, i.lastMovedAt from StockItem i")
    List<Kept> kept();

    /** Adds up all movements of every item anew. */
    @Modifying
    @Query(
            """
            update StockItem i set
            i.onHand = (select coalesce(sum(m.quantity), 0.0) from StockMovement m where m.itemId = i.id),
            i.firstMovedAt = (select min(m.at) from StockMovement m where m.itemId = i.id),
            i.lastMovedAt = (select max(m.at) from StockMovement m where m.itemId = i.id)""")
    void addUp();

    @Query(
            """
            select i.code, i.name, i.onHand, i.unit, i.lowAt,
            case when i.retiredAt is null then false else true end, i.lastMovedAt, i.spareKind, o.name, i.perRun
            from StockItem i left join ModelCard o on o.id = i.spareModelId
            where ?1 = true or i.retiredAt is null order by i.name""")
    List<Stock.ItemView> all(boolean retired);

    @Query("select i.code from StockItem i where i.shared and i.retiredAt is null")
    List<String> shared();

    /** What prints take of an item. */
    record PerPrint(long item, String code, double quantity, Instant since) {}

    @Query(
            """
            select i.id, i.code, i.perRun, i.perRunSince from StockItem i
            where i.perRun is not null and i.perRunSince is not null and i.retiredAt is null""")
    List<PerPrint> perPrint();

    @Query("select i from StockItem i where i.perRunSince is not null")
    List<StockItem> everPerPrint();

    @Query("select m.id from ModelCard m where m.code = ?1")
    Optional<Long> model(String code);

    @Query(
            """
            select i.code from StockItem i where i.spareKind = ?1 and i.spareModelId = ?2 and i.retiredAt is null
            and i.firstMovedAt <= ?3""")
    List<String> spares(String kind, long model, Instant at);

    /** What a spare costs, by its kind and the name of the model that it fits. */
    record SparePrice(String kind, String model, double price) {}

    @Query(
            """
            select i.spareKind, m.name, min(i.terms.price) from StockItem i join ModelCard m on m.id = i.spareModelId
            where i.terms.price is not null and i.retiredAt is null group by i.spareKind, m.name""")
    List<SparePrice> sparePrices();
}
