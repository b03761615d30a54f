package keel.app.stores;

import static keel.app.base.Rows.instant;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
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
import keel.core.Plain;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Waste, raw until somebody says that it is cured through, and the shop's until it is handed in. */
@Service
@Transactional
public class Waste {

    private static final String LOT =
            "select w.id, w.kind, w.amount, w.unit, w.place, w.layer_mm, w.note, w.at, w.cured_at, w.handed_at, "
                    + "w.handed_to, p.name from waste w join person p on p.id = w.person_id";
    private static final double MOST = 1_000_000;
    private static final String RULES = "LOCAL_RULES";

    private final ShopSettings settings;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Waste(ShopSettings settings, Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.settings = settings;
        this.logbook = logbook;
        this.jdbc = jdbc;
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
        return jdbc.sql(LOT
                        + " where w.handed_at is null order by case when w.cured_at is null then 0 else 1 "
                        + "end, w.at, w.id")
                .query((row, i) -> lot(row))
                .list();
    }

    /** What was handed in last. */
    @Transactional(readOnly = true)
    public List<Lot> gone(int most) {
        return jdbc.sql(LOT
                        + " where w.handed_at is not null order by w.handed_at desc, w.id desc fetch first ? rows only")
                .param(most)
                .query((row, i) -> lot(row))
                .list();
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
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into waste (kind, amount, unit, place, layer_mm, note, at, person_id) values (?, ?, "
                        + "?, ?, ?, ?, ?, ?)")
                .params(
                        kind.name(),
                        amount,
                        kind.unit(),
                        Typed.orNull(place),
                        layerMm,
                        Typed.orNull(note),
                        now(),
                        actor.personId())
                .update(key, "id");
        long id = key.getKeyAs(Long.class);
        note(
                id,
                "Waste: " + Plain.number(amount) + " " + kind.unit() + " of " + kind.words()
                        + (Typed.orNull(place) == null ? "" : ", " + place.strip()) + ".",
                actor);
        return id;
    }

    /** Cured right through; raw again with {@code cured} false, for one that was said by mistake. */
    public void cured(long id, boolean cured) {
        Actor actor = Actor.current();
        Lot lot = ours(id);
        jdbc.sql("update waste set cured_at = ? where id = ?")
                .params(cured ? now() : null, id)
                .update();
        note(id, "Waste " + (cured ? "cured: " : "raw after all: ") + words(lot) + ".", actor);
    }

    /** Handed in, all at once, to whoever took it. */
    public void handedIn(List<Long> ids, String to) {
        Actor actor = Actor.current();
        Findings findings = new Findings();
        findings.when(ids.isEmpty(), "lot", "Nothing is chosen.");
        findings.text(to, 80, "to", "Who took it");
        Refused.unless(findings);
        for (long id : ids) {
            Lot lot = ours(id);
            jdbc.sql("update waste set handed_at = ?, handed_to = ? where id = ?")
                    .params(now(), to.strip(), id)
                    .update();
            note(id, "Waste handed in to " + to.strip() + ": " + words(lot) + ".", actor);
        }
    }

    /** It was not handed in after all. */
    public void takenBack(long id) {
        Actor actor = Actor.current();
        if (jdbc.sql("update waste set handed_at = null, handed_to = null where id = ? and handed_at is not null")
                        .param(id)
                        .update()
                == 0) {
            throw new Conflict("That was not handed in.");
        }
        note(id, "Waste is still here: " + words(ours(id)) + ".", actor);
    }

    /** What the shop wrote down of its local rules; empty if nothing. */
    @Transactional(readOnly = true)
    public String rules() {
        return jdbc.sql("select text from shop_text where code = ?")
                .param(RULES)
                .query(String.class)
                .optional()
                .orElse("");
    }

    public void rules(String text) {
        Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        findings.when(text != null && text.length() > 4000, "rules", "The rules may have 4000 characters at most.");
        Refused.unless(findings);
        jdbc.sql("merge into shop_text (code, text, at) key (code) values (?, ?, ?)")
                .params(RULES, text == null ? "" : text.strip(), now())
                .update();
    }

    private Lot ours(long id) {
        jdbc.sql("select id from waste where id = ? for update")
                .param(id)
                .query(Long.class)
                .optional();
        Lot lot = jdbc.sql(LOT + " where w.id = ?")
                .param(id)
                .query((row, i) -> lot(row))
                .optional()
                .orElseThrow(() -> new NotThere("There is no waste " + id + "."));
        if (lot.handedAt() != null) {
            throw new Conflict("It was handed in already: " + words(lot) + ".");
        }
        return lot;
    }

    private static String words(Lot lot) {
        return Plain.number(lot.amount()) + " " + lot.unitWord() + " of "
                + lot.kind().words();
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(
                LogDraft.of(LogKind.WASTE, null, "WASTE", id, clock.instant(), headline, Map.of("waste", id), by));
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }

    private static Lot lot(ResultSet row) throws SQLException {
        return new Lot(
                row.getLong(1),
                WasteKind.valueOf(row.getString(2)),
                row.getDouble(3),
                row.getString(4),
                row.getString(5),
                row.getObject(6, Double.class),
                row.getString(7),
                instant(row, 8),
                instant(row, 9),
                instant(row, 10),
                row.getString(11),
                row.getString(12));
    }
}
