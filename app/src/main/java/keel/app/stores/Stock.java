package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.OncePerRead;
import keel.app.base.Refused;
import keel.app.base.Seen;
import keel.app.fleet.Fleet;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.stock.StockUnit;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is on the shelves: items, and the movements their quantities are the sum of. */
@Service
@Transactional
public class Stock {

    private static final double MOST = 100_000;
    private static final Limit SHOWN = Limit.of(200);
    private static final Set<String> SPARE_KINDS = Set.of("FILM", "TANK", "SCREEN", "LIGHT");

    private final StockItems items;
    private final StockMovements movements;
    private final Logbook logbook;
    private final Clock clock;

    Stock(StockItems items, StockMovements movements, Logbook logbook, Clock clock) {
        this.items = items;
        this.movements = movements;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * An item with what is on hand.
     *
     * @param lowAt quantity at which it is called low, null for never
     * @param perRun what every print takes, null for nothing
     * @param spareKind FILM, TANK, SCREEN or LIGHT for a spare part, {@code spareModel} the name of the machine model
     *     that it fits; null for anything else
     */
    public record ItemView(
            String item,
            String name,
            double quantity,
            String unit,
            Double lowAt,
            boolean retired,
            Instant lastMovedAt,
            String spareKind,
            String spareModel,
            Double perRun) {

        public boolean low() {
            return lowAt != null && quantity <= lowAt;
        }
    }

    public record MovementView(Instant at, double quantity, String reason, String person) {}

    private record All(boolean retired) {}

    @Transactional(readOnly = true)
    public List<ItemView> all(boolean retired) {
        return OncePerRead.get(new All(retired), () -> items.all(retired));
    }

    @Transactional(readOnly = true)
    public ItemView one(String code) {
        return all(true).stream()
                .filter(i -> i.item().equals(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no item called " + code + "."));
    }

    /** The newest movements of an item. */
    @Transactional(readOnly = true)
    public List<MovementView> movements(String code) {
        return movements.of(code, SHOWN);
    }

    public String addItem(String name, String unit, Double lowAt, Double quantity) {
        Actor keeper = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.text(name, 80, "name", "The name");
        findings.text(unit, 20, "unit", "The unit");
        findings.rangeIfGiven(lowAt, 0, MOST, "lowAt", "The low mark", unit);
        findings.rangeIfGiven(quantity, 0, MOST, "quantity", "The quantity on hand", unit);
        Refused.unless(findings);
        StockItem item = new StockItem();
        item.name = name.strip();
        item.unit = unit.strip();
        item.lowAt = lowAt;
        item.code = Fleet.freeCode(name, c -> items.findByCode(c).isPresent());
        items.save(item);
        logbook.write(LogDraft.of(
                LogKind.SET_UP,
                null,
                "SHOP",
                item.id,
                clock.instant(),
                "Item " + item.name + " added to the stores.",
                Map.of("item", item.code),
                keeper));
        if (quantity != null && quantity > 0) {
            write(item, quantity, "first count", clock.instant(), NOTHING, keeper);
        }
        return item.code;
    }

    /**
     * @param name null for the same as before, {@code unit} likewise
     * @throws Conflict if the unit changes of an item that has movements: what they counted would be something else
     */
    public void changeItem(String code, String name, String unit, Double lowAt, boolean retired) {
        changeItem(code, name, unit, lowAt, retired, Seen.NOTHING);
    }

    /** How an item stands, in the words of its form. */
    @Transactional(readOnly = true)
    public Map<String, Object> stands(String code) {
        return stands(item(code));
    }

    private static Map<String, Object> stands(StockItem item) {
        Map<String, Object> stands = new LinkedHashMap<>();
        stands.put("Name", item.name);
        stands.put("Unit", item.unit);
        stands.put("Call it low at", item.lowAt);
        stands.put("Every print takes", item.perRun);
        stands.put("No longer kept", item.retiredAt == null ? "no" : "yes");
        return stands;
    }

    /** @throws keel.app.base.EditedMeanwhile if somebody else changed it since it was seen */
    public void changeItem(String code, String name, String unit, Double lowAt, boolean retired, Seen seen) {
        Actor.require(Role.KEEPER);
        StockItem item = item(code);
        seen.check("item", stands(item));
        Findings findings = new Findings();
        if (name != null) {
            findings.text(name, 80, "name", "The name");
        }
        if (unit != null) {
            findings.text(unit, 20, "unit", "The unit");
        }
        Refused.unless(findings);
        if (unit != null && !unit.strip().equals(item.unit) && movements.existsByItemId(item.id)) {
            throw new Conflict(
                    "unit",
                    item.name + " is counted in " + item.unit + " and has movements in it. Add a new item for "
                            + unit.strip() + " and count this one down to nothing.");
        }
        item.name = name == null ? item.name : name.strip();
        item.unit = unit == null ? item.unit : unit.strip();
        item.lowAt = lowAt != null && lowAt >= 0 && lowAt <= MOST ? lowAt : null;
        item.retiredAt = retired ? clock.instant() : null;
    }

    /** Says that an item is a spare part of some kind for a model of machine; both blank: that it is none. */
    public void spare(String code, String kind, String model) {
        Actor.require(Role.KEEPER);
        StockItem item = item(code);
        boolean none = kind == null || kind.isBlank();
        Findings findings = new Findings();
        findings.when(
                !none && !SPARE_KINDS.contains(kind),
                "spareKind",
                "A spare part is a film, a tank, a screen or a light engine.");
        Long modelId = none ? null : items.model(model == null ? "" : model).orElse(null);
        findings.when(!none && modelId == null, "spareModel", "Choose the machines that it fits.");
        Refused.unless(findings);
        item.spareKind = none ? null : kind;
        item.spareModelId = modelId;
        items.save(item);
    }

    /**
     * Something came in (positive) or went out (negative).
     *
     * @throws Conflict if more would go out than is on hand
     */
    public ItemView move(String code, Double quantity, String reason) {
        moved(code, quantity, reason);
        return one(code.strip());
    }

    /** The same, answering the number of the movement. */
    public long moved(String code, Double quantity, String reason) {
        return moved(code, quantity, reason, null);
    }

    /** The same at a moment, null for now. */
    public long moved(String code, Double quantity, String reason, Instant when) {
        Actor actor = Actor.current();
        StockItem item = items.findByCode(code == null ? "" : code.strip())
                .orElseThrow(() -> new Refused("item", "There is no item called " + code + "."));
        Findings findings = new Findings();
        if (findings.range(quantity, -MOST, MOST, "quantity", "The quantity", item.unit)) {
            findings.when(quantity == 0, "quantity", "A movement of nothing is no movement.");
        }
        findings.text(reason, 200, "reason", "The reason");
        findings.when(when != null && when.isAfter(clock.instant()), "at", "That lies in the future.");
        Refused.unless(findings);
        lock(item);
        requireEnough(item, quantity);
        return write(item, quantity, reason.strip(), when == null ? clock.instant() : when, NOTHING, actor);
    }

    /** The opposite of a movement, for one that was a mistake. */
    public void takeBack(long movementId, String reason) {
        StockMovement movement = movements
                .findById(movementId)
                .orElseThrow(() -> new NotThere("There is no movement " + movementId + "."));
        moved(items.findById(movement.itemId).orElseThrow().code, -movement.quantity, reason);
    }

    /** Sets the quantity to what was counted; the difference becomes a movement. */
    public void count(String code, Double counted) {
        count(code, counted, null, Actor.current());
    }

    /** The same for many items, all or none; {@code why} explains the differences, null where nobody knows. */
    public void countAll(Map<String, Double> counted, String why) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.when(why != null && why.length() > 150, "why", "An explanation may have 150 characters at most.");
        Refused.unless(findings);
        new TreeMap<>(counted).forEach((code, number) -> count(code, number, why, actor));
    }

    private void count(String code, Double counted, String why, Actor actor) {
        StockItem item = item(code);
        Findings findings = new Findings();
        findings.range(counted, 0, MOST, "counted", "The count", item.unit);
        Refused.unless(findings);
        lock(item);
        double difference = counted - items.onHand(item.id);
        if (difference != 0) {
            write(
                    item,
                    difference,
                    "counted " + StockUnit.counted(counted, item.unit)
                            + (why == null || why.isBlank() ? "" : ": " + why.strip()),
                    clock.instant(),
                    NOTHING,
                    actor);
        }
    }

    /**
     * Something goes out for a service, null for none. The bench is never stopped by a wrong count: what is short is
     * counted as found first.
     */
    public void take(String code, double quantity, String reason, Instant at, Long serviceId, Actor actor) {
        StockItem item = items.findByCode(code)
                .orElseThrow(() -> new Refused("fromStores", "There is no item called " + code + "."));
        take(item, quantity, reason, at, new For(serviceId, null), actor);
    }

    /**
     * The one item that counts such spares for a model of machine at a time; empty where none does, or more than one.
     */
    @Transactional(readOnly = true)
    public Optional<String> spareOf(String kind, long model, Instant at) {
        List<String> found = items.spares(kind, model, at);
        return found.size() == 1 ? Optional.of(found.get(0)) : Optional.empty();
    }

    /** The same for a print that ended; a negative quantity comes back. */
    void takeForRun(String code, double quantity, String reason, Instant at, long runId) {
        take(item(code), quantity, reason, at, new For(null, runId), Actor.current());
    }

    /** The same for anything else that was seen to be gone. */
    void takeAnyway(String code, double quantity, String reason) {
        take(item(code), quantity, reason, clock.instant(), NOTHING, Actor.current());
    }

    private void take(StockItem item, double quantity, String reason, Instant at, For what, Actor actor) {
        lock(item);
        double lacking = quantity - items.onHand(item.id);
        if (lacking > 0 && quantity > 0) {
            write(item, lacking, "was there after all", at, what.serviceId() == null ? NOTHING : what, actor);
        }
        write(item, -quantity, reason, at, what, actor);
    }

    /** What a movement was for; each null if not for that. */
    private record For(Long serviceId, Long runId) {}

    private static final For NOTHING = new For(null, null);

    /** A service was taken back: so is what it took. */
    public void putBack(long serviceId, Actor actor) {
        for (StockMovement movement : movements.findByServiceId(serviceId)) {
            write(
                    items.findById(movement.itemId).orElseThrow(),
                    -movement.quantity,
                    "service withdrawn",
                    clock.instant(),
                    NOTHING,
                    actor);
        }
    }

    private void requireEnough(StockItem item, double quantity) {
        double onHand = items.onHand(item.id);
        if (onHand + quantity < 0) {
            throw new Conflict(
                    "quantity",
                    "Only " + StockUnit.counted(onHand, item.unit) + " of " + item.name
                            + " are on record. Count them first.");
        }
    }

    private void lock(StockItem item) {
        items.lock(item.id);
    }

    private long write(StockItem item, double quantity, String reason, Instant at, For what, Actor actor) {
        StockMovement movement = new StockMovement();
        movement.itemId = item.id;
        movement.quantity = quantity;
        movement.reason = reason;
        movement.at = at;
        movement.serviceId = what.serviceId();
        movement.runId = what.runId();
        movements.save(movement);
        items.moved(item.id, quantity, at);
        logbook.write(LogDraft.of(
                LogKind.STOCK_MOVED,
                null,
                "STOCK",
                movement.id,
                at,
                String.format(
                        Locale.ROOT,
                        "%s: %s%s, %s.",
                        item.name,
                        quantity > 0 ? "+" : "−",
                        StockUnit.counted(Math.abs(quantity), item.unit),
                        reason),
                Map.of("item", item.code, "quantity", quantity, "reason", reason),
                actor));
        return movement.id;
    }

    private StockItem item(String code) {
        return items.findByCode(code).orElseThrow(() -> new NotThere("There is no item called " + code + "."));
    }
}
