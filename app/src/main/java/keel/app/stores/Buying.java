package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Remembered;
import keel.app.base.Seen;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.LivesChanged;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.round.WaitCosts;
import keel.core.stock.DailyDemand;
import keel.core.stock.Reorder;
import keel.core.stock.StockUnit;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * What to buy, when and why: from what went out lately, how long an order takes, and how much it hurts to be without.
 */
@Service
@Transactional
public class Buying {

    private static final double ROUNDING = 1e-9;

    /** Use is taken from so many days. */
    static final int WINDOW_DAYS = 120;

    private static final double LEAD_DAYS = 7;
    private static final double LEAD_DAYS_SD = 2;
    private static final Map<String, Double> LEVELS = Map.of("LITTLE", 0.85, "SOME", 0.95, "MUCH", 0.99);
    private static final double MOST = 1e6;
    private static final double UNKNOWN_RUNS_OUT = 0.25;
    private static final double USUAL_BOTTLE_ML = 1000;

    private final Stock stock;
    private final Bottles bottles;
    private final ObjectProvider<PartNeeds> needs;
    private final Logbook logbook;
    private final StockItems items;
    private final StockMovements movements;
    private final StockOrders orders;
    private final Clock clock;

    Buying(
            Stock stock,
            Bottles bottles,
            ObjectProvider<PartNeeds> needs,
            Logbook logbook,
            StockItems items,
            StockMovements movements,
            StockOrders orders,
            Clock clock) {
        this.stock = stock;
        this.bottles = bottles;
        this.needs = needs;
        this.logbook = logbook;
        this.items = items;
        this.movements = movements;
        this.orders = orders;
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
        return lines(stock.all(false));
    }

    /** Of those with these codes. */
    @Transactional(readOnly = true)
    public List<BuyingLine> lines(Set<String> only) {
        return lines(
                stock.all(false).stream().filter(i -> only.contains(i.item())).toList());
    }

    private List<BuyingLine> lines(List<Stock.ItemView> all) {
        Map<String, StockItem> kept =
                items.findAll().stream().collect(Collectors.toMap(i -> i.code, Function.identity()));
        Map<String, Double> ordered = orders.onTheirWay().stream()
                .collect(Collectors.toMap(StockOrders.OnItsWay::item, StockOrders.OnItsWay::quantity));
        Map<String, Map<LocalDate, Double>> used = used();
        PartNeeds.Now parts = all.stream().allMatch(i -> i.spareKind() == null)
                ? null
                : Optional.ofNullable(needs.getIfAvailable())
                        .map(PartNeeds::now)
                        .orElse(null);
        List<BuyingLine> lines = new ArrayList<>();
        for (Stock.ItemView item : all) {
            Terms terms = kept.get(item.item()).terms().view();
            lines.add(line(
                    need(parts, item, terms),
                    item,
                    terms,
                    ordered.getOrDefault(item.item(), 0.0),
                    used.getOrDefault(item.item(), Map.of()),
                    days(kept.get(item.item()))));
        }
        return lines;
    }

    private static Optional<PartNeeds.Need> need(PartNeeds.Now parts, Stock.ItemView item, Terms t) {
        return item.spareKind() == null || parts == null
                ? Optional.empty()
                : parts.of(
                        item.spareKind(),
                        item.spareModel(),
                        t.leadDays() == null ? LEAD_DAYS : Math.max(1, t.leadDays()),
                        level(t));
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
                : Double.valueOf(Math.max(
                        item.lowAt() == null ? 0 : item.lowAt(), Math.ceil(reorder.reorderPoint() - ROUNDING)));
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
        return orders.paid(item, Limit.of(24));
    }

    private static String why(
            Stock.ItemView item, Reorder.ReorderItem asked, DailyDemand demand, double point, double onOrder) {
        String there = StockUnit.counted(item.quantity(), item.unit()) + " there"
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

    /**
     * What is to be bought.
     *
     * @param items how many
     * @param costPerHour of not ordering them: the hours of being without that it adds, in money
     */
    public record ToBuy(int items, double costPerHour) {}

    private record Counted(long hour, ToBuy toBuy, List<Overdue> awaited) {}

    private final Remembered<Counted> counted = new Remembered<>();

    /**
     * The items that have come down to where they are ordered; reckoned anew only when something moved, was ordered or
     * changed, and each hour.
     */
    @Transactional(readOnly = true)
    public ToBuy toBuy() {
        return counted().toBuy();
    }

    private Counted counted() {
        Counted last = counted.get(this::count);
        if (last.hour() != hour()) {
            counted.forget();
            last = counted.get(this::count);
        }
        return last;
    }

    private Counted count() {
        List<BuyingLine> low = lines().stream().filter(l -> l.quantity() > 0).toList();
        return new Counted(
                hour(),
                new ToBuy(low.size(), low.stream().mapToDouble(Buying::costOf).sum()),
                awaited());
    }

    /** Where nobody knows how fast it goes, one in four. */
    private static double costOf(BuyingLine line) {
        return WaitCosts.order(
                line.runsOut() == null ? UNKNOWN_RUNS_OUT : line.runsOut(),
                line.terms().hurts() == null ? "SOME" : line.terms().hurts());
    }

    private long hour() {
        return clock.instant().getEpochSecond() / 3600;
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(StockChanged changed) {
        counted.forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(LivesChanged changed) {
        counted.forget();
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
        change(item, terms, Seen.NOTHING);
    }

    /** @throws keel.app.base.EditedMeanwhile if somebody else changed it since it was seen */
    public void change(String item, Terms terms, Seen seen) {
        Actor.require(Role.KEEPER);
        Refused.unless(terms.findings());
        StockItem changed = known(item);
        seen.check("item", stands(changed));
        changed.terms().take(terms);
    }

    /** How it is bought as it stands, in the words of its form. */
    @Transactional(readOnly = true)
    public Map<String, Object> stands(String item) {
        return stands(known(item));
    }

    private StockItem known(String item) {
        return items.findByCode(item).orElseThrow(() -> new NotThere("There is no item called " + item + "."));
    }

    private static Map<String, Object> stands(StockItem item) {
        Terms terms = item.terms().view();
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("A pack holds", terms.packSize());
        stands.put("Price of one", terms.price());
        stands.put("It comes after, days", terms.leadDays());
        stands.put("give or take, days", terms.leadDaysSd());
        stands.put("Supplier", terms.supplier());
        stands.put("Place", terms.place());
        stands.put("To be without it hurts", terms.hurts());
        stands.put("A cost that all prints share", item.shared ? "yes" : "no");
        return stands;
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
        return orders.latest(Limit.of(most));
    }

    /** An order that should be there. */
    public record Overdue(long id, String name, Instant orderedAt, Instant expectedAt) {}

    /** Those that should have come by now, as long as such an order usually takes. */
    @Transactional(readOnly = true)
    public List<Overdue> overdue() {
        Instant now = clock.instant();
        return counted().awaited().stream()
                .filter(o -> o.expectedAt().isBefore(now))
                .toList();
    }

    private List<Overdue> awaited() {
        return orders.awaited().stream()
                .map(o -> new Overdue(
                        o.id(),
                        o.name(),
                        o.orderedAt(),
                        o.orderedAt()
                                .plusSeconds(Math.round(86_400 * (o.leadDays() == null ? LEAD_DAYS : o.leadDays())))))
                .toList();
    }

    public long order(String item, Double quantity, Double price) {
        Actor actor = Actor.current();
        Stock.ItemView of = stock.one(item);
        Findings findings = new Findings();
        findings.range(quantity, 1e-3, MOST, "quantity", "The quantity", of.unit());
        findings.rangeIfGiven(price, 0, MOST, "price", "The price", "");
        Refused.unless(findings);
        StockOrder order = new StockOrder();
        order.itemId = items.findByCode(item).orElseThrow().id;
        order.quantity = quantity;
        order.price = price;
        order.orderedAt = clock.instant();
        order.personId = actor.personId();
        orders.save(order);
        note(order.id, "Ordered: " + StockUnit.counted(quantity, of.unit()) + " of " + of.name() + ".", actor);
        return order.id;
    }

    /** It came: the stock goes up, its price is kept, and the item's lead time follows from its orders. */
    public void receive(long id, Double quantity) {
        Actor actor = Actor.current();
        StockOrder order = open(id);
        StockItem item = items.findById(order.itemId).orElseThrow();
        Findings findings = new Findings();
        findings.range(quantity, 0, MOST, "quantity", "What came", item.unit);
        Refused.unless(findings);
        order.receivedAt = clock.instant();
        order.received = quantity;
        if (quantity > 0) {
            deliver(order, item, quantity);
        }
        if (order.price != null) {
            item.terms().price = order.price;
        }
        note(
                id,
                "Came: " + Plain.number(quantity) + " of " + Plain.number(order.quantity) + " " + item.unit + " of "
                        + item.name + ".",
                actor);
    }

    /** Sealed bottles are written down one by one, so that each gets its label. */
    private void deliver(StockOrder order, StockItem item, double quantity) {
        StockOrders.BottleKind kind =
                orders.bottlesOf(item.id, Limit.of(1)).stream().findFirst().orElse(null);
        if (kind == null || quantity != Math.rint(quantity) || quantity > Bottles.MOST_AT_ONCE) {
            stock.moved(item.code, quantity, "delivery");
        } else {
            bottles.add(new Bottles.Entry(
                    kind.resin(),
                    (int) quantity,
                    kind.fullMl() == null ? USUAL_BOTTLE_ML : kind.fullMl(),
                    null,
                    order.price,
                    null,
                    false));
        }
    }

    public void cancel(long id) {
        Actor actor = Actor.current();
        StockOrder order = open(id);
        order.cancelledAt = clock.instant();
        note(id, "Order cancelled: " + items.findById(order.itemId).orElseThrow().name + ".", actor);
    }

    private StockOrder open(long id) {
        StockOrder order = orders.lock(id).orElseThrow(() -> new NotThere("There is no order " + id + "."));
        if (order.receivedAt != null || order.cancelledAt != null) {
            throw new Conflict("That order " + (order.cancelledAt != null ? "was cancelled." : "came already."));
        }
        return order;
    }

    /** What went out by item and day; what a count found missing is use as well. */
    private Map<String, Map<LocalDate, Double>> used() {
        return movements.out(clock.instant().minus(Duration.ofDays(WINDOW_DAYS))).stream()
                .collect(Collectors.groupingBy(
                        StockMovements.Out::item,
                        Collectors.toMap(StockMovements.Out::day, StockMovements.Out::quantity)));
    }

    /** Days since an item is kept count of, at most the window. */
    private int days(StockItem item) {
        if (item.firstMovedAt == null) {
            return WINDOW_DAYS;
        }
        long days = Duration.between(item.firstMovedAt, clock.instant()).toDays() + 1;
        return (int) Math.max(1, Math.min(WINDOW_DAYS, days));
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(
                LogDraft.of(LogKind.ORDERED, null, "ORDER", id, clock.instant(), headline, Map.of("order", id), by));
    }
}
