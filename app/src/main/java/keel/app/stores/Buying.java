package keel.app.stores;

import static keel.app.base.Rows.instant;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.stock.DailyDemand;
import keel.core.stock.Reorder;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What to buy, when and why: from what went out lately, how long an order takes, and how much it hurts to be without.
 */
@Service
@Transactional
public class Buying {

    /** Use is taken from so many days. */
    static final int WINDOW_DAYS = 120;

    private static final double LEAD_DAYS = 7;
    private static final double LEAD_DAYS_SD = 2;
    private static final Map<String, Double> LEVELS = Map.of("LITTLE", 0.85, "SOME", 0.95, "MUCH", 0.99);
    private static final double MOST = 1e6;
    private static final double USUAL_BOTTLE_ML = 1000;

    private final Stock stock;
    private final Bottles bottles;
    private final ObjectProvider<PartNeeds> needs;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Buying(
            Stock stock,
            Bottles bottles,
            ObjectProvider<PartNeeds> needs,
            Logbook logbook,
            JdbcClient jdbc,
            Clock clock) {
        this.stock = stock;
        this.bottles = bottles;
        this.needs = needs;
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** How an item is bought; what is not known is null. {@code hurts}: LITTLE, SOME or MUCH. */
    public record Terms(
            Double packSize,
            Double price,
            String supplier,
            String place,
            Double leadDays,
            Double leadDaysSd,
            String hurts) {

        Findings findings() {
            Findings findings = new Findings();
            number(packSize, 1e-3, "packSize", "A pack", findings);
            number(price, 0, "price", "The price", findings);
            number(leadDays, 0, "leadDays", "The days until it comes", findings);
            number(leadDaysSd, 0, "leadDaysSd", "Their spread", findings);
            findings.when(
                    supplier != null && supplier.length() > 80,
                    "supplier",
                    "A supplier may have 80 characters at most.");
            findings.when(place != null && place.length() > 80, "place", "A place may have 80 characters at most.");
            findings.when(
                    hurts != null && !LEVELS.containsKey(hurts),
                    "hurts",
                    "It hurts LITTLE, SOME or MUCH to be without.");
            return findings;
        }

        private static void number(Double value, double low, String field, String what, Findings findings) {
            findings.rangeIfGiven(value, low, field.startsWith("lead") ? 3650 : MOST, field, what, "");
        }
    }

    /**
     * An item with what is to be done about it.
     *
     * @param onOrder ordered and not come yet
     * @param demand a day, of the last {@link #WINDOW_DAYS} days
     * @param reorder null where nothing went out lately
     * @param reorderPoint the higher of what use asks for and what somebody set by hand; null where neither is known
     * @param quantity to buy now, 0 for nothing
     * @param daysKept days since it is kept count of, at most the window
     * @param runsOut chance of being without before an order would come, if nothing is bought; null where nothing went
     *     out
     */
    public record BuyingLine(
            Stock.ItemView item,
            Terms terms,
            double serviceLevel,
            double onOrder,
            DailyDemand demand,
            Reorder reorder,
            Double reorderPoint,
            double quantity,
            Double runsOut,
            String why,
            int daysKept) {

        /** Lies there, and nobody took any of it for as long as is looked back. */
        public boolean dead() {
            return item.quantity() > 0 && demand.mean() == 0 && daysKept >= WINDOW_DAYS && item.spareKind() == null;
        }

        /** Money in what lies there, null if its price is not known. */
        public Double worth() {
            return terms.price() == null ? null : Double.valueOf(terms.price() * Math.max(0, item.quantity()));
        }

        /** Days that it lasts at this pace; null where nothing goes out. */
        public Double lastsDays() {
            return demand.mean() > 0 ? Double.valueOf(Math.max(0, item.quantity()) / demand.mean()) : null;
        }
    }

    /** Of every item, by name. */
    @Transactional(readOnly = true)
    public List<BuyingLine> lines() {
        Map<String, Terms> terms = terms();
        Map<String, Double> ordered = ordered();
        Map<String, Map<LocalDate, Double>> used = used();
        Map<String, Integer> days = days();
        List<BuyingLine> lines = new ArrayList<>();
        for (Stock.ItemView item : stock.all(false)) {
            lines.add(line(
                    need(item, terms.get(item.item())),
                    item,
                    terms.get(item.item()),
                    ordered.getOrDefault(item.item(), 0.0),
                    used.getOrDefault(item.item(), Map.of()),
                    days.getOrDefault(item.item(), WINDOW_DAYS)));
        }
        return lines;
    }

    private Optional<PartNeeds.Need> need(Stock.ItemView item, Terms t) {
        return item.spareKind() == null
                ? Optional.empty()
                : Optional.ofNullable(needs.getIfAvailable())
                        .flatMap(n -> n.of(
                                item.spareKind(),
                                item.spareModel(),
                                t.leadDays() == null ? LEAD_DAYS : Math.max(1, t.leadDays()),
                                level(t)));
    }

    private static double level(Terms t) {
        return LEVELS.get(t.hurts() == null ? "SOME" : t.hurts());
    }

    private static BuyingLine line(
            Optional<PartNeeds.Need> need,
            Stock.ItemView item,
            Terms terms,
            double onOrder,
            Map<LocalDate, Double> used,
            int days) {
        DailyDemand demand = DailyDemand.of(used, Math.max(days, used.size()));
        double level = level(terms);
        double pack = terms.packSize() == null ? 1 : terms.packSize();
        if (need.isPresent()) {
            return part(need.get(), item, terms, onOrder, demand, pack, days);
        }
        Reorder.ReorderItem asked = new Reorder.ReorderItem(
                demand.mean(),
                demand.sd(),
                terms.leadDays() == null ? LEAD_DAYS : terms.leadDays(),
                terms.leadDaysSd() == null ? LEAD_DAYS_SD : terms.leadDaysSd(),
                level,
                pack,
                Reorder.COVER_DAYS);
        Reorder reorder = demand.mean() > 0 ? Reorder.of(asked) : null;
        Double point = reorder == null
                ? item.lowAt()
                : item.lowAt() == null
                        ? Double.valueOf(reorder.reorderPoint())
                        : Double.valueOf(Math.max(item.lowAt(), reorder.reorderPoint()));
        double there = item.quantity() + onOrder;
        boolean buy = point != null && there <= point;
        double quantity = !buy
                ? 0
                : Math.max(
                        reorder == null ? pack : reorder.orderQuantity(),
                        Math.max(pack, Math.ceil((point - there) / pack - 1e-9) * pack));
        return new BuyingLine(
                item,
                terms,
                level,
                onOrder,
                demand,
                reorder,
                point,
                quantity,
                reorder == null ? null : Double.valueOf(Reorder.runsOut(asked, item.quantity())),
                buy ? why(item, asked, demand, point, onOrder) : "",
                days);
    }

    /** A slow part: how many are wanted follows from the ages and lives of those in service. */
    private static BuyingLine part(
            PartNeeds.Need need,
            Stock.ItemView item,
            Terms terms,
            double onOrder,
            DailyDemand demand,
            double pack,
            int days) {
        double lacking = need.wanted() - need.there() - onOrder;
        double quantity = lacking <= 0 ? 0 : Math.ceil(lacking / pack - 1e-9) * pack;
        String why = String.format(
                Locale.ROOT,
                "%d there%s, about %.1f a year by the ages of those in service: hold %d.",
                need.there(),
                onOrder > 0 ? ", " + Plain.number(onOrder) + " ordered" : "",
                need.yearly(),
                need.wanted());
        return new BuyingLine(
                item,
                terms,
                level(terms),
                onOrder,
                demand,
                null,
                Double.valueOf(Math.max(0, need.wanted() - 1)),
                quantity,
                need.waits(),
                quantity > 0 ? why : "",
                days);
    }

    /** A price that was paid for one. */
    public record Paid(Instant at, double price) {}

    /** What was paid, the latest first. */
    @Transactional(readOnly = true)
    public List<Paid> prices(String item) {
        return jdbc.sql(
                        """
                select coalesce(o.received_at, o.ordered_at), o.price from stock_order o join stock_item i
                on i.id = o.item_id where i.code = ? and o.price is not null and o.cancelled_at is null
                order by 1 desc fetch first 24 rows only""")
                .param(item)
                .query((row, i) -> new Paid(instant(row.getObject(1, OffsetDateTime.class)), row.getDouble(2)))
                .list();
    }

    private static String why(
            Stock.ItemView item, Reorder.ReorderItem asked, DailyDemand demand, double point, double onOrder) {
        String there = Plain.number(item.quantity()) + " " + item.unit() + " there"
                + (onOrder > 0 ? ", " + Plain.number(onOrder) + " ordered" : "");
        return demand.mean() == 0
                ? there + ", called low at " + Plain.number(point) + "."
                : String.format(
                        Locale.ROOT,
                        "%s, %s a day, about %s days until more comes: order from %s down.",
                        there,
                        Plain.number(Math.round(100 * demand.mean()) / 100.0),
                        Plain.number(asked.leadDays()),
                        Plain.number(Math.round(10 * point) / 10.0));
    }

    private record Counted(String of, int toBuy) {}

    private volatile Counted counted;

    /**
     * How many items have come down to where they are ordered; reckoned anew only when something moved, was ordered or
     * changed, and each hour.
     */
    @Transactional(readOnly = true)
    public int toBuy() {
        String of = jdbc.sql("select coalesce((select max(id) from stock_movement), 0) || ' ' || "
                                + "coalesce((select max(id) from stock_order), 0) || ' ' || (select count(*) "
                                + "from stock_order where received_at is "
                                + "null and cancelled_at is null)"
                                + " || ' ' || (select count(*) || ' ' || coalesce(sum(low_at), 0) from "
                                + "stock_item where retired_at is null)")
                        .query(String.class)
                        .single()
                + " " + clock.instant().getEpochSecond() / 3600;
        Counted last = counted;
        if (last == null || !last.of().equals(of)) {
            last = new Counted(
                    of, (int) lines().stream().filter(l -> l.quantity() > 0).count());
            counted = last;
        }
        return last.toBuy();
    }

    /** @throws NotThere if there is no such item */
    @Transactional(readOnly = true)
    public BuyingLine one(String item) {
        return lines().stream()
                .filter(l -> l.item().item().equals(item))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no item called " + item + "."));
    }

    public void change(String item, Terms terms) {
        Actor.require(Role.KEEPER);
        Refused.unless(terms.findings());
        counted = null;
        if (jdbc.sql("update stock_item set pack_size = ?, price = ?, supplier = ?, place = ?, lead_days "
                                + "= ?, lead_days_sd = ?, hurts = ? where code = ?")
                        .params(
                                terms.packSize(),
                                terms.price(),
                                Typed.orNull(terms.supplier()),
                                Typed.orNull(terms.place()),
                                terms.leadDays(),
                                terms.leadDaysSd(),
                                terms.hurts(),
                                item)
                        .update()
                == 0) {
            throw new NotThere("There is no item called " + item + ".");
        }
    }

    /** An order that was sent; {@code received} is null while it is on its way. */
    public record Order(
            long id,
            String item,
            String name,
            String unit,
            double quantity,
            Double price,
            Instant orderedAt,
            String person,
            Instant receivedAt,
            Double received,
            boolean cancelled) {}

    /** Those on their way, then the latest that came. */
    @Transactional(readOnly = true)
    public List<Order> orders(int most) {
        return jdbc.sql(
                        """
                select o.id, i.code, i.name, i.unit, o.quantity, o.price, o.ordered_at, p.name, o.received_at,
                o.received, o.cancelled_at from stock_order o join stock_item i on i.id = o.item_id
                join person p on p.id = o.person_id order by case when o.received_at is null
                and o.cancelled_at is null then 0 else 1 end, o.ordered_at desc, o.id desc fetch first ? rows only""")
                .param(most)
                .query((row, i) -> new Order(
                        row.getLong(1),
                        row.getString(2),
                        row.getString(3),
                        row.getString(4),
                        row.getDouble(5),
                        row.getObject(6, Double.class),
                        instant(row.getObject(7, OffsetDateTime.class)),
                        row.getString(8),
                        instant(row.getObject(9, OffsetDateTime.class)),
                        row.getObject(10, Double.class),
                        row.getObject(11) != null))
                .list();
    }

    public long order(String item, Double quantity, Double price) {
        Actor actor = Actor.current();
        Stock.ItemView of = stock.one(item);
        Findings findings = new Findings();
        findings.range(quantity, 1e-3, MOST, "quantity", "The quantity", of.unit());
        findings.rangeIfGiven(price, 0, MOST, "price", "The price", "");
        Refused.unless(findings);
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into stock_order (item_id, quantity, price, ordered_at, person_id) select id, ?, ?, "
                        + "?, ? from stock_item where code = ?")
                .params(quantity, price, clock.instant().atOffset(ZoneOffset.UTC), actor.personId(), item)
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        note(id, "Ordered: " + Plain.number(quantity) + " " + of.unit() + " of " + of.name() + ".", actor);
        return id;
    }

    /** It came: the stock goes up, its price is kept, and the item's lead time follows from its orders. */
    public void receive(long id, Double quantity) {
        Actor actor = Actor.current();
        Order order = open(id);
        Findings findings = new Findings();
        findings.range(quantity, 0, MOST, "quantity", "What came", order.unit());
        Refused.unless(findings);
        jdbc.sql("update stock_order set received_at = ?, received = ? where id = ?")
                .params(clock.instant().atOffset(ZoneOffset.UTC), quantity, id)
                .update();
        if (quantity > 0) {
            deliver(order, quantity);
        }
        if (order.price() != null) {
            jdbc.sql("update stock_item set price = ? where code = ?")
                    .params(order.price(), order.item())
                    .update();
        }
        note(
                id,
                "Came: " + Plain.number(quantity) + " of " + Plain.number(order.quantity()) + " " + order.unit()
                        + " of " + order.name() + ".",
                actor);
    }

    /** Sealed bottles are written down one by one, so that each gets its label. */
    private void deliver(Order order, double quantity) {
        record BottleKind(String resin, Double fullMl) {}
        BottleKind kind = jdbc.sql(
                        """
                select r.code, (select b.full_ml from bottle b where b.resin_id = r.id
                order by b.at desc, b.id desc fetch first row only) from resin r join stock_item i
                on i.id = r.item_id where i.code = ?""")
                .param(order.item())
                .query((row, i) -> new BottleKind(row.getString(1), row.getObject(2, Double.class)))
                .optional()
                .orElse(null);
        if (kind == null || quantity != Math.rint(quantity) || quantity > Bottles.MOST_AT_ONCE) {
            stock.moved(order.item(), quantity, "delivery");
        } else {
            bottles.add(new Bottles.Entry(
                    kind.resin(),
                    (int) quantity,
                    kind.fullMl() == null ? USUAL_BOTTLE_ML : kind.fullMl(),
                    null,
                    order.price(),
                    null,
                    false));
        }
    }

    public void cancel(long id) {
        Actor actor = Actor.current();
        Order order = open(id);
        jdbc.sql("update stock_order set cancelled_at = ? where id = ?")
                .params(clock.instant().atOffset(ZoneOffset.UTC), id)
                .update();
        note(id, "Order cancelled: " + order.name() + ".", actor);
    }

    private Order open(long id) {
        jdbc.sql("select id from stock_order where id = ? for update")
                .param(id)
                .query(Long.class)
                .optional();
        Order order = orders(10_000).stream()
                .filter(o -> o.id() == id)
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no order " + id + "."));
        if (order.receivedAt() != null || order.cancelled()) {
            throw new Conflict("That order " + (order.cancelled() ? "was cancelled." : "came already."));
        }
        return order;
    }

    private Map<String, Terms> terms() {
        Map<String, Terms> terms = new HashMap<>();
        jdbc.sql("select code, pack_size, price, supplier, place, lead_days, lead_days_sd, hurts from stock_item")
                .query((row, i) -> terms.put(
                        row.getString(1),
                        new Terms(
                                row.getObject(2, Double.class),
                                row.getObject(3, Double.class),
                                row.getString(4),
                                row.getString(5),
                                row.getObject(6, Double.class),
                                row.getObject(7, Double.class),
                                row.getString(8))))
                .list();
        return terms;
    }

    private Map<String, Double> ordered() {
        Map<String, Double> ordered = new HashMap<>();
        jdbc.sql("select i.code, sum(o.quantity) from stock_order o join stock_item i on i.id = o.item_id "
                        + "where o.received_at is null and o.cancelled_at is null group by i.code")
                .query((row, i) -> ordered.put(row.getString(1), row.getDouble(2)))
                .list();
        return ordered;
    }

    /** What went out by item and day; what a count found missing is use as well. */
    private Map<String, Map<LocalDate, Double>> used() {
        Map<String, Map<LocalDate, Double>> used = new HashMap<>();
        jdbc.sql(
                        """
                select i.code, cast(m.at as date), -sum(m.quantity) from stock_movement m join stock_item i
                on i.id = m.item_id where m.at >= ? and m.quantity < 0
                group by i.code, cast(m.at as date)""")
                .param(from())
                .query((row, i) -> used.computeIfAbsent(row.getString(1), c -> new HashMap<>())
                        .put(row.getObject(2, LocalDate.class), row.getDouble(3)))
                .list();
        return used;
    }

    /** Days since an item is kept count of, at most the window. */
    private Map<String, Integer> days() {
        Map<String, Integer> days = new HashMap<>();
        jdbc.sql("select i.code, (select min(m.at) from stock_movement m where m.item_id = i.id) from stock_item i")
                .query((row, i) -> row.getObject(2) == null
                        ? null
                        : days.put(row.getString(1), (int) Math.max(
                                1,
                                Math.min(
                                        WINDOW_DAYS,
                                        Duration.between(
                                                                row.getObject(2, OffsetDateTime.class)
                                                                        .toInstant(),
                                                                clock.instant())
                                                        .toDays()
                                                + 1))))
                .list();
        return days;
    }

    private OffsetDateTime from() {
        return clock.instant().minus(Duration.ofDays(WINDOW_DAYS)).atOffset(ZoneOffset.UTC);
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(
                LogDraft.of(LogKind.ORDERED, null, "ORDER", id, clock.instant(), headline, Map.of("order", id), by));
    }
}
