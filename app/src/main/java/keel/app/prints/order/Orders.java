package keel.app.prints.order;

import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.base.Conflict;
import keel.app.base.EditedMeanwhile;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.prints.WantedJobs;
import keel.app.prints.WantedView;
import keel.core.order.OfOnePart;
import keel.core.order.Tally;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Orders of several parts. How far one is follows from the runs that had its parts on their plates. */
@Service
@Transactional
public class Orders {

    private static final Limit LATELY = Limit.of(40);

    private final OrderRecords records;
    private final WantedJobs jobs;
    private final Logbook logbook;
    private final Clock clock;

    Orders(OrderRecords records, WantedJobs jobs, Logbook logbook, Clock clock) {
        this.records = records;
        this.jobs = jobs;
        this.logbook = logbook;
        this.clock = clock;
    }

    /** @throws Refused if it has no parts, or something of it cannot be */
    public long make(OrderEntry entry) {
        Actor actor = Actor.current();
        Refused.unless(entry.findings());
        PartOrder order = new PartOrder();
        order.askedAt = clock.instant();
        order.personId = actor.personId();
        take(order, entry);
        records.save(order);
        note(order, order.name + " is wanted.", actor);
        return order.id;
    }

    /**
     * @throws EditedMeanwhile if somebody else changed it since it was read
     * @throws Conflict if a part would go that a print had on its plate
     */
    public void change(long id, OrderEntry entry, Integer version) {
        Actor actor = Actor.current();
        PartOrder order = record(id);
        if (version != null && version != order.version) {
            throw new EditedMeanwhile("order", entry(order).stands());
        }
        Refused.unless(entry.findings());
        take(order, entry);
        note(order, order.name + ": what is wanted changed.", actor);
    }

    private void take(PartOrder order, OrderEntry entry) {
        order.name = entry.name().strip();
        order.dueAt = entry.dueAt();
        Map<Long, OrderPart> there = order.parts.stream().collect(Collectors.toMap(p -> p.id, p -> p));
        List<OrderPart> kept = new ArrayList<>();
        for (PartEntry wanted : entry.parts()) {
            OrderPart part = wanted.id() == null ? new OrderPart() : there.remove(wanted.id());
            if (part == null) {
                throw new Refused("parts", "There is no part " + wanted.id() + " in this order.");
            }
            part.order = order;
            part.take(wanted, kept.size());
            kept.add(part);
        }
        drop(there.values());
        order.parts.removeAll(there.values());
        kept.stream().filter(p -> p.id == null).forEach(order.parts::add);
    }

    /** What lay on a plate stays, or what came out would be counted nowhere. */
    private void drop(Collection<OrderPart> gone) {
        if (gone.isEmpty()) {
            return;
        }
        Set<Long> ids = gone.stream().map(p -> p.id).collect(Collectors.toSet());
        Set<Long> lay =
                records.prints(ids).stream().map(OrderRecords.Lies::part).collect(Collectors.toSet());
        lay.addAll(records.planned(ids));
        gone.stream().filter(p -> lay.contains(p.id)).findFirst().ifPresent(p -> {
            throw new Conflict("parts", p.name + " was on a plate already: it stays. Want fewer of it instead.");
        });
    }

    /** It is over, whether all came out or not; nothing more of it is planned. */
    public void close(long id) {
        Actor actor = Actor.current();
        PartOrder order = record(id);
        if (order.closedAt == null) {
            order.closedAt = clock.instant();
            note(order, order.name + " is over.", actor);
        }
    }

    public void putBack(long id) {
        Actor actor = Actor.current();
        PartOrder order = record(id);
        if (order.closedAt != null) {
            order.closedAt = null;
            note(order, order.name + " is open again.", actor);
        }
    }

    private void note(PartOrder order, String text, Actor actor) {
        logbook.write(LogDraft.of(
                LogKind.PARTS_WANTED,
                null,
                "ORDER",
                order.id,
                clock.instant(),
                text,
                entry(order).stands(),
                actor));
    }

    private static OrderEntry entry(PartOrder order) {
        return new OrderEntry(
                order.name,
                order.dueAt,
                order.parts.stream().map(OrderPart::entry).toList());
    }

    PartOrder record(long id) {
        return records.findById(id).orElseThrow(() -> new NotThere("There is no order " + id + "."));
    }

    /** Those that are open, the oldest first. */
    @Transactional(readOnly = true)
    public List<OrderView> open() {
        return views(records.open());
    }

    /** The last that are over. */
    @Transactional(readOnly = true)
    public List<OrderView> over() {
        return views(records.closed(LATELY));
    }

    /** @throws NotThere if there is no such order */
    @Transactional(readOnly = true)
    public OrderView one(long id) {
        return views(List.of(record(id))).get(0);
    }

    private List<OrderView> views(List<PartOrder> orders) {
        Set<Long> ids = orders.stream()
                .flatMap(o -> o.parts.stream())
                .map(p -> p.id)
                .collect(Collectors.toCollection(HashSet::new));
        if (ids.isEmpty()) {
            return List.of();
        }
        Map<Long, List<OfOnePart>> prints = records.prints(ids).stream()
                .collect(Collectors.groupingBy(
                        OrderRecords.Lies::part, Collectors.mapping(Orders::of, Collectors.toList())));
        Map<Long, Integer> waiting = waiting();
        Map<Long, String> people = new HashMap<>();
        return orders.stream()
                .map(o -> new OrderView(
                        o.id,
                        o.name,
                        o.dueAt,
                        o.askedAt,
                        people.computeIfAbsent(
                                o.personId, p -> records.person(p).orElse("")),
                        o.closedAt,
                        o.version,
                        o.parts.stream()
                                .map(p -> new OrderView.PartLine(
                                        p.entry(),
                                        Tally.of(p.wanted, prints.getOrDefault(p.id, List.of())),
                                        waiting.getOrDefault(p.id, 0)))
                                .toList()))
                .toList();
    }

    private static OfOnePart of(OrderRecords.Lies lies) {
        return new OfOnePart(lies.planned(), lies.counted(), lies.outcome());
    }

    /** Pieces on the plates of jobs that wait, by part. */
    private Map<Long, Integer> waiting() {
        Set<Long> waits = jobs.waiting().stream()
                .filter(j -> j.state() == WantedView.State.WAITING)
                .map(WantedView::id)
                .collect(Collectors.toSet());
        return waits.isEmpty()
                ? Map.of()
                : records.ofJobs(waits).stream()
                        .collect(Collectors.groupingBy(p -> p.partId, Collectors.summingInt(p -> p.planned)));
    }

    /** Prints that had something of it on their plates, the latest first. */
    @Transactional(readOnly = true)
    public List<OnPlate.Print> prints(long id) {
        PartOrder order = record(id);
        Map<Long, String> names = order.parts.stream().collect(Collectors.toMap(p -> p.id, p -> p.name));
        Map<Long, List<OrderRecords.Lies>> byRun = records.prints(names.keySet()).stream()
                .collect(Collectors.groupingBy(OrderRecords.Lies::run, LinkedHashMap::new, Collectors.toList()));
        List<OnPlate.Print> prints = new ArrayList<>();
        byRun.forEach((run, parts) -> {
            OrderRecords.Lies any = parts.get(0);
            prints.add(
                    0,
                    new OnPlate.Print(
                            run,
                            any.job(),
                            any.machine(),
                            any.startedAt(),
                            any.outcome() == null,
                            any.outcome() == null ? "" : any.outcome().words(),
                            parts.stream()
                                    .map(l -> new OnPlate.Of(names.get(l.part()), of(l)))
                                    .toList()));
        });
        return prints;
    }
}
