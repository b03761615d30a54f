package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.base.Typed;
import keel.app.fleet.ShopSettings;
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

/** Waste, raw until somebody says that it is cured through, and the shop's until it is handed in. */
@Service
@Transactional
public class Waste {

    private static final double MOST = 1_000_000;
    private static final String RULES = "LOCAL_RULES";

    private final ShopSettings settings;
    private final Logbook logbook;
    private final WasteRecords records;
    private final Clock clock;

    Waste(ShopSettings settings, Logbook logbook, WasteRecords records, Clock clock) {
        this.settings = settings;
        this.logbook = logbook;
        this.records = records;
        this.clock = clock;
    }

    /**
     * Something in a bag, a tray or a can.
     *
     * @param place bag, tray or can that it is in; {@code layerMm} how deep it lies there, null if not told
     * @param curedAt null while it is raw, {@code handedAt} null while the shop has it
     */
    public record Lot(
            long id,
            WasteKind kind,
            double amount,
            String unit,
            String place,
            Double layerMm,
            String note,
            Instant at,
            Instant curedAt,
            Instant handedAt,
            String handedTo,
            String person) {

        /** As it is said with its number: one bag, two bags. */
        public String unitWord() {
            return amount == 1 && unit.endsWith("s") ? unit.substring(0, unit.length() - 1) : unit;
        }

        public boolean raw() {
            return curedAt == null && handedAt == null;
        }
    }

    /** As it is typed. */
    public record Entry(String kind, Double amount, String place, Double layerMm, String note) {}

    /** What the shop still has, raw first, oldest first. */
    @Transactional(readOnly = true)
    public List<Lot> here() {
        return records.here();
    }

    /** What was handed in last. */
    @Transactional(readOnly = true)
    public List<Lot> gone(int most) {
        return records.gone(Limit.of(most));
    }

    /** Raw, and older than the shop wants it to be. */
    @Transactional(readOnly = true)
    public List<Lot> overdue() {
        Instant before = clock.instant()
                .minus(Duration.ofMinutes(Math.round(1440 * settings.defaults().value("waste.days"))));
        return here().stream().filter(l -> l.raw() && l.at().isBefore(before)).toList();
    }

    /** Whether it lies too deep to cure through without getting hot. */
    @Transactional(readOnly = true)
    public boolean tooDeep(Lot lot) {
        return lot.raw()
                && lot.layerMm() != null
                && lot.layerMm() > settings.defaults().value("waste.layerMm");
    }

    public long keep(Entry entry) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        WasteKind kind = List.of(WasteKind.values()).stream()
                .filter(k -> k.name().equals(entry.kind()))
                .findFirst()
                .orElse(null);
        findings.when(kind == null, "kind", "Say what it is.");
        findings.range(entry.amount(), 0.001, MOST, "amount", "The amount", kind == null ? "" : kind.unit());
        if (entry.layerMm() != null) {
            findings.range(entry.layerMm(), 0, 1000, "layerMm", "The layer", "mm");
        }
        findings.when(
                entry.place() != null && entry.place().length() > 60,
                "place",
                "A place may have 60 characters at most.");
        findings.when(
                entry.note() != null && entry.note().length() > 200, "note", "A note may have 200 characters at most.");
        Refused.unless(findings);
        return write(kind, entry.amount(), entry.place(), entry.layerMm(), entry.note(), actor);
    }

    private long write(WasteKind kind, double amount, String place, Double layerMm, String note, Actor actor) {
        WasteRecord waste = new WasteRecord();
        waste.kind = kind;
        waste.amount = amount;
        waste.unit = kind.unit();
        waste.place = Typed.orNull(place);
        waste.layerMm = layerMm;
        waste.note = Typed.orNull(note);
        waste.at = clock.instant();
        waste.personId = actor.personId();
        records.save(waste);
        note(
                waste.id,
                "Waste: " + StockUnit.counted(amount, kind.unit()) + " of " + kind.words()
                        + (waste.place == null ? "" : ", " + waste.place) + ".",
                actor);
        return waste.id;
    }

    /** Cured right through; raw again with {@code cured} false, for one that was said by mistake. */
    public void cured(long id, boolean cured) {
        Actor actor = Actor.current();
        WasteRecord waste = ours(id);
        waste.curedAt = cured ? clock.instant() : null;
        note(id, "Waste " + (cured ? "cured: " : "raw after all: ") + words(id) + ".", actor);
    }

    /** Handed in, all at once, to whoever took it. */
    public void handedIn(List<Long> ids, String to) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.when(ids.isEmpty(), "lot", "Nothing is chosen.");
        findings.text(to, 80, "to", "Who took it");
        Refused.unless(findings);
        for (long id : ids) {
            WasteRecord waste = ours(id);
            waste.handedAt = clock.instant();
            waste.handedTo = to.strip();
            note(id, "Waste handed in to " + to.strip() + ": " + words(id) + ".", actor);
        }
    }

    /** It was not handed in after all. */
    public void takenBack(long id) {
        Actor actor = Actor.current();
        WasteRecord waste = locked(id);
        if (waste.handedAt == null) {
            throw new Conflict("That was not handed in.");
        }
        waste.handedAt = null;
        waste.handedTo = null;
        note(id, "Waste is still here: " + words(id) + ".", actor);
    }

    /** What the shop wrote down of its local rules; empty if nothing. */
    @Transactional(readOnly = true)
    public String rules() {
        return settings.text(RULES);
    }

    public void rules(String text) {
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.when(text != null && text.length() > 4000, "rules", "The rules may have 4000 characters at most.");
        Refused.unless(findings);
        settings.write(RULES, text == null ? "" : text.strip());
    }

    private WasteRecord locked(long id) {
        return records.lock(id).orElseThrow(() -> new NotThere("There is no waste " + id + "."));
    }

    private WasteRecord ours(long id) {
        WasteRecord waste = locked(id);
        if (waste.handedAt != null) {
            throw new Conflict("It was handed in already: " + words(id) + ".");
        }
        return waste;
    }

    private String words(long id) {
        return words(records.lot(id));
    }

    private static String words(Lot lot) {
        return StockUnit.counted(lot.amount(), lot.unitWord()) + " of "
                + lot.kind().words();
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(
                LogDraft.of(LogKind.WASTE, null, "WASTE", id, clock.instant(), headline, Map.of("waste", id), by));
    }
}
