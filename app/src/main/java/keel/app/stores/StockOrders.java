package keel.app.stores;

import jakarta.persistence.LockModeType;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.data.domain.Limit;
import org.springframework.data.jpa.repository.JpaRepository;
import org.springframework.data.jpa.repository.Lock;
import org.springframework.data.jpa.repository.Query;

interface StockOrders extends JpaRepository<StockOrder, Long> {

    @Lock(LockModeType.PESSIMISTIC_WRITE)
    @Query("select o from StockOrder o where o.id = ?1")
    Optional<StockOrder> lock(long id);

    /** So much of an item is on its way. */
    record OnItsWay(String item, double quantity) {}

    @Query(
            """
            select i.code, sum(o.quantity) from StockOrder o join StockItem i on i.id = o.itemId
            where o.receivedAt is null and o.cancelledAt is null group by i.code""")
    List<OnItsWay> onTheirWay();

    @Query(
            """
            select coalesce(o.receivedAt, o.orderedAt), o.price from StockOrder o join StockItem i on i.id = o.itemId
            where i.code = ?1 and o.price is not null and o.cancelledAt is null
            order by coalesce(o.receivedAt, o.orderedAt) desc""")
    List<Buying.Paid> paid(String item, Limit most);

    /** Those on their way, then the latest that came. */
    @Query(
            """
            select o.id, i.code, i.name, i.unit, o.quantity, o.price, o.orderedAt, p.name, o.receivedAt, o.received,
            case when o.cancelledAt is null then false else true end
            from StockOrder o join StockItem i on i.id = o.itemId join PersonName p on p.id = o.personId
            order by case when o.receivedAt is null and o.cancelledAt is null then 0 else 1 end,
            o.orderedAt desc, o.id desc""")
    List<Buying.Order> latest(Limit most);

    /** An order that did not come yet; {@code leadDays} that such a one takes, null where nobody said. */
    record Awaited(long id, String name, Instant orderedAt, Double leadDays) {}

    @Query(
            """
            select o.id, i.name, o.orderedAt, i.terms.leadDays from StockOrder o join StockItem i on i.id = o.itemId
            where o.receivedAt is null and o.cancelledAt is null order by o.orderedAt""")
    List<Awaited> awaited();

    /** The resin whose sealed bottles an item counts, and how much the last of them held. */
    record BottleKind(String resin, Double fullMl) {}

    @Query(
            """
            select r.code, b.fullMl from Resin r left join BottleRecord b on b.resinId = r.id
            where r.itemId = ?1 order by b.at desc nulls last, b.id desc""")
    List<BottleKind> bottlesOf(long item, Limit most);
}
