package keel.app.stores;

import java.time.Instant;
import java.util.List;
import org.springframework.data.jpa.repository.Query;
import org.springframework.data.repository.Repository;

/** What was paid, and what lies on the shelf. */
interface PriceRecords extends Repository<Resin, Long> {

    /** The price of something, by its code. */
    record Price(String code, Double price) {}

    /** Money a litre as somebody wrote it down for a resin. */
    @Query("select r.code, r.pricePerLitre from Resin r where r.pricePerLitre is not null")
    List<Price> litres();

    /** Money a litre as bottles were paid, the oldest first. */
    @Query(
            """
            select r.code, b.price / b.fullMl * 1000 from BottleRecord b join Resin r on r.id = b.resinId
            where b.price is not null order by b.at, b.id""")
    List<Price> bottles();

    @Query(
            """
            select c.code, coalesce(c.price, m.price) from PartCard c left join PartModelCard m on m.id = c.partModelId
            where c.price is not null or m.price is not null""")
    List<Price> parts();

    /** A screen on the shelf for a model of machine that it fits; one that fits several comes as often. */
    record ShelfScreen(long id, String model, Double price) {}

    @Query(
            """
            select c.id, o.name, coalesce(c.price, p.price) from PartCard c
            left join PartModelCard p on p.id = c.partModelId left join PartModelFit x on x.partModelId = p.id
            join ModelCard o on o.id = coalesce(x.machineModelId, c.modelId)
            where c.kind = keel.app.fleet.ComponentKind.SCREEN and c.endedAt is null
            and not exists (select 1 from PartPlace f where f.partId = c.id and f.removedAt is null)""")
    List<ShelfScreen> screens();

    /** So many spare vats with a usable film for a model. */
    record ShelfVats(String model, long count) {}

    @Query(
            """
            select o.name, count(v.id) from PartCard v join ModelCard o on o.id = v.modelId
            join PartPlace f on f.vatId = v.id and f.removedAt is null
            join PartCard c on c.id = f.partId and c.endedAt is null
            where v.kind = keel.app.fleet.ComponentKind.VAT and v.endedAt is null
            and not exists (select 1 from PartPlace x where x.partId = v.id and x.removedAt is null)
            group by o.name""")
    List<ShelfVats> vats();

    /** A model of machine. */
    record Model(long id, String name) {}

    @Query("select o.id, o.name from ModelCard o")
    List<Model> models();

    /** A model of part and one of machine that it fits. */
    record Fit(long part, String model) {}

    @Query(
            """
            select x.partModelId, o.name from PartModelFit x join PartModelCard p on p.id = x.partModelId
            join ModelCard o on o.id = x.machineModelId where p.kind = keel.app.fleet.ComponentKind.SCREEN
            order by o.name""")
    List<Fit> screenFits();

    /** How much a machine printed since a moment, and when it first did. */
    record Pace(long machine, double hours, Instant first) {}

    @Query(
            """
            select r.machineId, coalesce(sum(r.hours), 0.0), min(r.startedAt) from RunFact r
            where r.endedAt is not null and r.startedAt >= ?1 group by r.machineId""")
    List<Pace> paces(Instant since);

    /** When resin was last poured into the vat that is on a machine, or out of it; null for never. */
    @Query(
            """
            select max(p.at) from PartPlace f join PourMade p on p.vatId = f.partId
            where f.removedAt is null and f.machineId = ?1""")
    Instant poured(long machine);

    /** When the resin of a machine was last sieved or emptied out; null for never. */
    @Query("select max(s.at) from ServiceDone s where s.machineId = ?1 and (s.emptied or s.sieved)")
    Instant sieved(long machine);

    /** Machines whose resin something moved since then: a print, a pour, a sieve. */
    @Query(
            """
            select distinct r.machineId from RunFact r where r.endedAt > ?1
            union select distinct f.machineId from PourMade p join PartPlace f on f.partId = p.vatId
            where p.at > ?1 and f.removedAt is null and f.machineId is not null
            union select distinct s.machineId from ServiceDone s where (s.emptied or s.sieved) and s.at > ?1
            and s.machineId is not null""")
    List<Long> movedSince(Instant since);
}
