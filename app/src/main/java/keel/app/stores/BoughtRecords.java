package keel.app.stores;

import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What was paid, and when. */
interface BoughtRecords extends Repository<StockOrder, Long> {

    /** A bottle that was paid. */
    record Bottle(Instant at, double price) {}

    @Query(
            """
            select b.at, b.price from BottleRecord b join Resin r on r.id = b.resinId
            where b.price is not null and not exists (
            select 1 from StockOrder o where o.itemId = r.itemId and o.price is not null)""")
    List<Bottle> bottles();

    /** A pack of film, {@code price} a sheet. */
    record Pack(Instant at, int sheets, double price) {}

    @Query("select p.at, p.sheets, p.price from FilmPack p where p.price is not null")
    List<Pack> packs();

    /** A screen with the day on which it was bought. */
    record Screen(LocalDate boughtOn, double price) {}

    @Query(
            """
            select c.boughtOn, coalesce(c.price, m.price) from PartCard c
            left join PartModelCard m on m.id = c.partModelId
            where c.kind = keel.app.fleet.ComponentKind.SCREEN and c.boughtOn is not null
            and (c.price is not null or m.price is not null)""")
    List<Screen> screens();

    /** An order that came, {@code price} of one; {@code resin} more than 0 where the item is bottles of resin. */
    record Came(Instant at, double quantity, double price, String spareKind, boolean shared, long resin) {}

    @Query(
            """
            select o.receivedAt, coalesce(o.received, o.quantity), o.price, i.spareKind, i.shared,
            (select count(r.id) from Resin r where r.itemId = i.id)
            from StockOrder o join StockItem i on i.id = o.itemId
            where o.receivedAt is not null and o.price is not null""")
    List<Came> orders();
}
