package keel.app.floor.upkeep;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Remembered;
import keel.app.base.Seen;
import keel.app.fleet.Fleet;
import keel.app.fleet.RoomsChanged;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.app.standing.MachineNow;
import keel.app.standing.RunsChanged;
import keel.app.standing.UsedSince;
import keel.core.Findings;
import keel.core.round.UpkeepDue;
import keel.core.standing.MachineState;
import keel.core.standing.ServiceKind;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** The shop's rules of upkeep, when each falls due at each machine and in each room, and what came of it. */
@Service
@Transactional
public class UpkeepRules {

    private static final Duration TWICE = Duration.ofMinutes(1);
    private static final Limit HISTORY = Limit.of(60);

    private final UpkeepRecords records;
    private final UpkeepMarks marks;
    private final UsedSince used;
    private final Fleet fleet;
    private final ShopSettings settings;
    private final Logbook logbook;
    private final Clock clock;
    private final Remembered<Known> known = new Remembered<>();

    UpkeepRules(
            UpkeepRecords records,
            UpkeepMarks marks,
            UsedSince used,
            Fleet fleet,
            ShopSettings settings,
            Logbook logbook,
            Clock clock) {
        this.records = records;
        this.marks = marks;
        this.used = used;
        this.fleet = fleet;
        this.settings = settings;
        this.logbook = logbook;
        this.clock = clock;
    }

    /**
     * A rule as it is shown.
     *
     * @param shipped whether it came with the product
     */
    public record RuleView(long id, boolean shipped, RuleEntry entry, Instant madeAt, boolean off) {}

    /**
     * A rule at one machine, in one room, or for the shop.
     *
     * @param machine null where it is at none; {@code room} the code of its room, null for the shop
     * @param where in words
     * @param since it was done last, or from when it counts
     * @param done whether it was ever done here
     * @param putOff until when it is put off; null where it is not
     */
    public record Due(
            RuleView rule,
            MachineNow machine,
            String room,
            String where,
            UpkeepDue how,
            Instant since,
            boolean done,
            Instant putOff) {

        /** What its form sends: the code of the machine or the room, empty for the shop. */
        public String target() {
            return machine != null ? machine.code() : room == null ? "" : room;
        }
    }

    /** A line of a rule's history; machine and room each null where it is of none. */
    public record Line(
            long id,
            Marked kind,
            Instant at,
            Instant until,
            String note,
            String machine,
            String room,
            String person,
            boolean takenBack) {}

    private record Place(Long machine, Long room) {}

    private record Key(long rule, Place place) {}

    /** All that is read of the rules at once, until something changes. */
    private record Known(
            List<UpkeepRule> rules,
            Map<Long, RuleView> views,
            List<Fleet.RoomPlace> rooms,
            Map<Key, Instant> done,
            Map<Key, UpkeepRecords.PutOff> putOff,
            Map<Long, Map<ServiceKind, Instant>> served) {}

    /** Writes down the rules that came with the product and are not there yet; they count from then. */
    @EventListener(ApplicationReadyEvent.class)
    public void ship() {
        for (RuleEntry.Shipped s : RuleEntry.shipped()) {
            if (records.findByCode(s.code()).isEmpty()) {
                UpkeepRule rule = new UpkeepRule();
                rule.code = s.code();
                rule.madeAt = clock.instant();
                rule.take(s.entry(), null, null);
                records.save(rule);
            }
        }
        known.forgetAfterwards();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(RunsChanged changed) {
        known.forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(RoomsChanged changed) {
        known.forget();
    }

    private Known known() {
        return known.get(() -> {
            List<UpkeepRule> rules = records.byName();
            Set<ServiceKind> kinds = EnumSet.noneOf(ServiceKind.class);
            rules.stream()
                    .flatMap(r -> Stream.of(r.afterService, r.doneBy))
                    .filter(Objects::nonNull)
                    .forEach(kinds::add);
            Map<Long, Map<ServiceKind, Instant>> served = new HashMap<>();
            if (!kinds.isEmpty()) {
                records.served(kinds).forEach(s -> served.computeIfAbsent(s.machine(), m -> new HashMap<>())
                        .put(s.kind(), s.at()));
            }
            Map<Key, Instant> done = new HashMap<>();
            records.last().forEach(l -> done.put(new Key(l.rule(), new Place(l.machine(), l.room())), l.at()));
            Map<Key, UpkeepRecords.PutOff> putOff = new HashMap<>();
            records.putOff(clock.instant())
                    .forEach(p -> putOff.put(new Key(p.rule(), new Place(p.machine(), p.room())), p));
            Map<Long, RuleView> views = rules.stream().collect(Collectors.toMap(r -> r.id, this::view));
            return new Known(rules, views, fleet.roomPlaces(), done, putOff, served);
        });
    }

    @Transactional(readOnly = true)
    public List<RuleView> all() {
        Known now = known();
        return now.rules().stream().map(r -> now.views().get(r.id)).toList();
    }

    /** @throws NotThere if there is no such rule */
    @Transactional(readOnly = true)
    public RuleView one(long id) {
        return view(rule(id));
    }

    private UpkeepRule rule(long id) {
        return records.findById(id).orElseThrow(() -> new NotThere("There is no rule " + id + "."));
    }

    private RuleView view(UpkeepRule r) {
        String target = r.machineId != null
                ? records.machine(r.machineId).orElse(null)
                : r.roomId != null ? roomCode(r.roomId) : null;
        return new RuleView(r.id, r.code != null, RuleEntry.of(r, target), r.madeAt, r.offAt != null);
    }

    private String roomCode(long id) {
        return fleet.roomPlaces().stream()
                .filter(room -> room.id() == id)
                .map(Fleet.RoomPlace::code)
                .findFirst()
                .orElse(null);
    }

    /** Where a rule stands everywhere that it holds, the soonest first. */
    @Transactional(readOnly = true)
    public List<Due> due(List<MachineNow> machines) {
        Known now = known();
        List<Due> all = new ArrayList<>();
        now.rules().stream().filter(r -> r.offAt == null).forEach(r -> due(r, machines, now, all));
        all.sort((a, b) -> Double.compare(days(a), days(b)));
        return all;
    }

    private static double days(Due d) {
        return d.how().due()
                ? -d.how().share()
                : d.how().inDays() == null ? 1e9 : d.how().inDays().median();
    }

    private void due(UpkeepRule r, List<MachineNow> machines, Known now, List<Due> all) {
        RuleView view = now.views().get(r.id);
        if (r.scope.ofMachines()) {
            machines.stream()
                    .filter(m -> r.scope.has(m, r.machineId) && m.standing().state() != MachineState.OFF)
                    .forEach(m -> at(r, view, m, now, all));
        } else if (r.scope.ofRooms()) {
            now.rooms().stream()
                    .filter(room -> r.scope == RuleScope.ROOMS || r.roomId != null && r.roomId == room.id())
                    .forEach(
                            room -> all.add(timed(r, view, new Place(null, room.id()), room.code(), room.name(), now)));
        } else {
            all.add(timed(r, view, new Place(null, null), null, "The shop", now));
        }
    }

    private void at(UpkeepRule r, RuleView view, MachineNow m, Known now, List<Due> all) {
        Key key = new Key(r.id, new Place(m.id(), null));
        Map<ServiceKind, Instant> served = now.served().getOrDefault(m.id(), Map.of());
        Instant done = later(now.done().get(key), r.doneBy == null ? null : served.get(r.doneBy));
        Instant from = later(done, later(r.madeAt, m.since()));
        if (r.afterService != null) {
            Instant after = served.get(r.afterService);
            if (after == null || !after.isAfter(from)) {
                return;
            }
            from = after;
        }
        UpkeepDue how = UpkeepDue.of(
                r.trigger(),
                new UpkeepDue.Pace(from, used.of(m.id(), from), m.sinceRecords(), m.hoursPerDay()),
                clock.instant(),
                settings.zone());
        all.add(new Due(view, m, m.room(), m.name(), how, from, done != null, putOff(now, key, done)));
    }

    private Due timed(UpkeepRule r, RuleView view, Place place, String room, String where, Known now) {
        Key key = new Key(r.id, place);
        Instant done = now.done().get(key);
        Instant from = later(done, r.madeAt);
        UpkeepDue how = UpkeepDue.of(r.trigger(), UpkeepDue.Pace.ofTime(from), clock.instant(), settings.zone());
        return new Due(view, null, room, where, how, from, done != null, putOff(now, key, done));
    }

    /** What was done after it was put off is not put off any more. */
    private Instant putOff(Known now, Key key, Instant done) {
        UpkeepRecords.PutOff off = now.putOff().get(key);
        boolean holds = off != null
                && off.until().isAfter(clock.instant())
                && (done == null || off.at().isAfter(done));
        return holds ? off.until() : null;
    }

    private static Instant later(Instant a, Instant b) {
        return a == null || b != null && b.isAfter(a) ? b : a;
    }

    public long add(RuleEntry entry) {
        Actor keeper = Actor.require(Role.KEEPER);
        UpkeepRule rule = new UpkeepRule();
        rule.madeAt = clock.instant();
        take(rule, entry);
        records.save(rule);
        known.forgetAfterwards();
        note(rule, "Upkeep: \"" + rule.name + "\" is a rule now.", null, keeper);
        return rule.id;
    }

    /** @throws keel.app.base.EditedMeanwhile if somebody else changed it since it was seen */
    public void change(long id, RuleEntry entry, Seen seen) {
        Actor keeper = Actor.require(Role.KEEPER);
        UpkeepRule rule = rule(id);
        seen.check("rule", view(rule).entry().stands());
        take(rule, entry);
        known.forgetAfterwards();
        note(rule, "Upkeep: \"" + rule.name + "\" changed.", null, keeper);
    }

    private void take(UpkeepRule rule, RuleEntry entry) {
        Refused.unless(entry.findings());
        Long machine = entry.scope() == RuleScope.MACHINE
                ? Long.valueOf(fleet.machineOfEntry(entry.target()).id())
                : null;
        Long room =
                entry.scope() == RuleScope.ROOM ? Long.valueOf(fleet.roomId(fleet.roomOfEntry(entry.target()))) : null;
        rule.take(entry, machine, room);
    }

    /** Switches a rule off, or on again; it counts anew from then. */
    public void off(long id, boolean off) {
        Actor keeper = Actor.require(Role.KEEPER);
        UpkeepRule rule = rule(id);
        if (off == (rule.offAt != null)) {
            return;
        }
        rule.offAt = off ? clock.instant() : null;
        rule.madeAt = off ? rule.madeAt : clock.instant();
        known.forgetAfterwards();
        note(rule, "Upkeep: \"" + rule.name + "\" is " + (off ? "switched off." : "switched on again."), null, keeper);
    }

    /**
     * Done, left out once, or put off.
     *
     * @param target code of the machine or the room, empty for the shop
     * @param until when it is asked for again; for what is put off
     * @param why asked for unless it was done
     */
    public void mark(long id, String target, Marked kind, Instant until, String why) {
        Actor actor = Actor.current();
        Refused.unless(findings(kind, until, why));
        UpkeepRule rule = rule(id);
        Place place = place(rule, target);
        settings.lock();
        Instant now = clock.instant();
        if (kind == Marked.DONE && justDone(id, place, now)) {
            return;
        }
        UpkeepMark mark = new UpkeepMark();
        mark.ruleId = id;
        mark.machineId = place.machine();
        mark.roomId = place.room();
        mark.kind = kind;
        mark.at = now;
        mark.until = kind == Marked.PUT_OFF ? until : null;
        mark.note = why == null || why.isBlank() ? null : why.strip();
        mark.personId = actor.personId();
        marks.save(mark);
        known.forgetAfterwards();
        note(
                rule,
                "Upkeep " + kind.words() + ": " + rule.name + (mark.note == null ? "." : ". " + mark.note),
                place,
                actor);
    }

    /** Somebody else tapped it in the same minute. */
    private boolean justDone(long id, Place place, Instant now) {
        return records.last().stream()
                .anyMatch(l -> l.rule() == id
                        && new Place(l.machine(), l.room()).equals(place)
                        && l.at().isAfter(now.minus(TWICE))
                        && !l.at().isAfter(now));
    }

    private Findings findings(Marked kind, Instant until, String why) {
        Findings findings = new Findings();
        findings.when(kind == null, "kind", "Say what came of it.");
        findings.when(
                kind != null && kind != Marked.DONE && (why == null || why.isBlank()),
                "why",
                "Say why it is not done.");
        findings.when(why != null && why.length() > 200, "why", "The reason may have 200 characters at most.");
        findings.when(
                kind == Marked.PUT_OFF && (until == null || !until.isAfter(clock.instant())),
                "until",
                "Say until when, a day to come.");
        return findings;
    }

    private Place place(UpkeepRule rule, String target) {
        if (rule.scope == RuleScope.SHOP) {
            return new Place(null, null);
        }
        if (target == null || target.isBlank()) {
            throw new Refused("target", "Say which one.");
        }
        Place place = rule.scope.ofMachines()
                ? new Place(fleet.machineOfEntry(target).id(), null)
                : new Place(null, fleet.roomId(target));
        boolean other = rule.scope == RuleScope.MACHINE && !place.machine().equals(rule.machineId)
                || rule.scope == RuleScope.ROOM && !place.room().equals(rule.roomId);
        if (other) {
            throw new Refused("target", "That rule is not about it.");
        }
        return place;
    }

    /** It was not so: what was said of it counts no more. */
    public void takeBack(long mark) {
        Actor actor = Actor.current();
        UpkeepMark m = marks.findById(mark).orElseThrow(() -> new NotThere("There is no such entry."));
        if (m.takenBackAt != null) {
            return;
        }
        m.takenBackAt = clock.instant();
        known.forgetAfterwards();
        UpkeepRule rule = rule(m.ruleId);
        note(rule, "Upkeep taken back: " + rule.name + ".", new Place(m.machineId, m.roomId), actor);
    }

    @Transactional(readOnly = true)
    public List<Line> history(long id) {
        return records.history(id, HISTORY);
    }

    private void note(UpkeepRule rule, String headline, Place place, Actor by) {
        logbook.write(LogDraft.of(
                LogKind.UPKEEP,
                place == null ? null : place.machine(),
                "UPKEEP",
                rule.id,
                clock.instant(),
                headline,
                Map.of("rule", rule.id),
                by));
    }
}
