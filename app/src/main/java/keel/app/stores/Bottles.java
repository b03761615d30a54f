package keel.app.stores;

import static keel.app.base.Rows.instant;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.quick.LabelCode;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Bottles of resin: which are there, how much is left in each, when it was opened and shaken. */
@Service
@Transactional
public class Bottles {

    private static final String BOTTLE =
            """
            select b.id, b.code, r.id as resin_id, r.code as resin, r.name, b.lot, b.full_ml, b.left_ml, b.price,
            b.at, b.expires_on, b.opened_at, b.shaken_at, b.emptied_at, r.density_g_per_ml
            from bottle b join resin r on r.id = b.resin_id""";
    static final int MOST_AT_ONCE = 100;

    private final Stock stock;
    private final Waste waste;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Bottles(Stock stock, Waste waste, Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.stock = stock;
        this.waste = waste;
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A bottle; {@code price} of the whole of it, null if not known. */
    public record Bottle(
            long id,
            String code,
            long resinId,
            String resin,
            String resinName,
            String lot,
            double fullMl,
            double leftMl,
            Double price,
            Instant boughtAt,
            LocalDate expiresOn,
            Instant openedAt,
            Instant shakenAt,
            Instant emptiedAt,
            Double densityGPerMl) {

        public boolean open() {
            return openedAt != null && emptiedAt == null;
        }

        public boolean expired(LocalDate today) {
            return expiresOn != null && expiresOn.isBefore(today);
        }
    }

    /**
     * Bottles as they are bought: {@code count} of the same lot; {@code counted} if the item of the stores that counts
     * sealed ones has them already.
     */
    public record Entry(
            String resin,
            Integer count,
            Double fullMl,
            String lot,
            Double price,
            LocalDate expiresOn,
            Boolean counted) {

        Findings findings() {
            Findings findings = new Findings();
            findings.range(
                    count == null ? null : count.doubleValue(), 1, MOST_AT_ONCE, "count", "How many bottles", "");
            findings.range(fullMl, 10, 20_000, "fullMl", "What a bottle holds", "ml");
            findings.when(lot != null && lot.length() > 60, "lot", "A lot may have 60 characters at most.");
            findings.rangeIfGiven(price, 0, 100_000, "price", "The price of a bottle", "");
            return findings;
        }
    }

    /** Those that are not empty, the open ones first; the empty ones too if asked for. */
    @Transactional(readOnly = true)
    public List<Bottle> all(boolean empty) {
        return jdbc.sql(BOTTLE
                        + " where :empty or b.emptied_at is null order by r.name, case when b.emptied_at is "
                        + "null then 0 else 1 end, case when b.opened_at is null then 1 else 0 end, b.expires_on, b.id")
                .param("empty", empty)
                .query((row, i) -> bottle(row))
                .list();
    }

    /**
     * What a vat with this resin can be filled from, or any vat where {@code resin} is null: those that are open, and
     * of each resin the sealed one that is opened next.
     */
    @Transactional(readOnly = true)
    public List<Bottle> atHand(String resin) {
        Set<String> sealed = new HashSet<>();
        return all(false).stream()
                .filter(b -> resin == null || b.resin().equals(resin))
                .sorted(Comparator.comparing((Bottle b) -> !b.open()))
                .filter(b -> b.open() || sealed.add(b.resin()))
                .toList();
    }

    /**
     * @param code as it stands on the bottle, or the text of its label as a scanner types it
     * @throws Refused at {@code field} if there is no such bottle
     */
    @Transactional(readOnly = true)
    public Bottle one(String code, String field) {
        return find(code, false).orElseThrow(() -> new Refused(field, "There is no bottle called " + code + "."));
    }

    private Optional<Bottle> find(String code, boolean locked) {
        String typed = code == null ? "" : code.strip();
        String wanted = LabelCode.read(typed)
                .filter(l -> l.kind() == LabelCode.LabelKind.BOTTLE)
                .map(LabelCode::code)
                .orElse(typed)
                .toUpperCase(Locale.ROOT);
        if (locked) {
            jdbc.sql("select id from bottle where code = ? for update")
                    .param(wanted)
                    .query(Long.class)
                    .optional();
        }
        return jdbc.sql(BOTTLE + " where b.code = ?")
                .param(wanted)
                .query((row, i) -> bottle(row))
                .optional();
    }

    /** Answers their codes. */
    public List<String> add(Entry entry) {
        Actor actor = Actor.current();
        Findings findings = entry.findings();
        Long resin = jdbc.sql("select id from resin where code = ?")
                .param(entry.resin() == null ? "" : entry.resin())
                .query(Long.class)
                .optional()
                .orElse(null);
        findings.when(resin == null, "resin", "Choose the resin.");
        Refused.unless(findings);
        int next = jdbc.sql("select coalesce(max(cast(substring(code, 2) as int)), 0) from bottle")
                        .query(Integer.class)
                        .single()
                + 1;
        List<String> codes = IntStream.range(next, next + entry.count())
                .mapToObj(n -> "B" + n)
                .toList();
        codes.forEach(
                code -> jdbc.sql("insert into bottle (code, resin_id, lot, full_ml, left_ml, price, at, person_id, "
                                + "expires_on) values (?, ?, ?, ?, ?, ?, ?, ?, ?)")
                        .params(
                                code,
                                resin,
                                entry.lot() == null || entry.lot().isBlank()
                                        ? null
                                        : entry.lot().strip(),
                                entry.fullMl(),
                                entry.fullMl(),
                                entry.price(),
                                now(),
                                actor.personId(),
                                entry.expiresOn())
                        .update());
        String resinName = jdbc.sql("select name from resin where id = ?")
                .param(resin)
                .query(String.class)
                .single();
        note(
                codes.get(0),
                codes.size() == 1
                        ? "Bottle " + codes.get(0) + " of " + resinName + " came in."
                        : codes.size() + " bottles of " + resinName + " came in: " + codes.get(0) + " to "
                                + codes.get(codes.size() - 1) + ".",
                actor);
        if (!Boolean.TRUE.equals(entry.counted())) {
            item(resin)
                    .ifPresent(i -> stock.moved(
                            i,
                            (double) codes.size(),
                            "bottles " + codes.get(0)
                                    + (codes.size() == 1 ? "" : " to " + codes.get(codes.size() - 1))));
        }
        return codes;
    }

    /** The same, of a resin by its code. */
    @Transactional(readOnly = true)
    public Optional<String> counting(String resin) {
        return jdbc.sql("select i.code from resin r join stock_item i on i.id = r.item_id where r.code = ?")
                .param(resin)
                .query(String.class)
                .optional();
    }

    /** Item of the stores that counts the sealed bottles of a resin. */
    private Optional<String> item(long resin) {
        return jdbc.sql("select i.code from resin r join stock_item i on i.id = r.item_id where r.id = ?")
                .param(resin)
                .query(String.class)
                .optional();
    }

    /**
     * From now on an item of the stores counts the sealed bottles of a resin: one goes out when one is opened. Blank:
     * none does.
     */
    public void countedBy(String resin, String item) {
        Actor.require(Role.KEEPER);
        Long id = item == null || item.isBlank()
                ? null
                : jdbc.sql("select id from stock_item where code = ?")
                        .param(item)
                        .query(Long.class)
                        .optional()
                        .orElseThrow(() -> new Refused("item", "There is no item called " + item + "."));
        if (jdbc.sql("update resin set item_id = ? where code = ?")
                        .params(id, resin)
                        .update()
                == 0) {
            throw new NotThere("There is no resin called " + resin + ".");
        }
    }

    private void opened(Bottle bottle) {
        if (bottle.openedAt() == null) {
            jdbc.sql("update bottle set opened_at = ? where id = ?")
                    .params(now(), bottle.id())
                    .update();
            item(bottle.resinId()).ifPresent(i -> stock.takeAnyway(i, 1, bottle.code() + " opened"));
        }
    }

    /** It was shaken; unmixed pigment prints smoky. */
    public void shaken(String code) {
        Bottle bottle = one(code, "bottle");
        jdbc.sql("update bottle set shaken_at = ? where id = ?")
                .params(now(), bottle.id())
                .update();
    }

    /** Weighed or looked at: so much is left, whatever was reckoned. */
    public void measured(String code, Double leftMl) {
        Actor actor = Actor.current();
        Bottle bottle = find(code, true).orElseThrow(() -> new NotThere("There is no bottle called " + code + "."));
        Findings findings = new Findings();
        findings.range(leftMl, 0, bottle.fullMl() * 1.1, "leftMl", "What is left", "ml");
        Refused.unless(findings);
        left(bottle, leftMl);
        if (leftMl < bottle.fullMl()) {
            opened(bottle);
        }
        note(
                bottle.code(),
                "Bottle " + bottle.code() + ": " + Math.round(leftMl) + " ml left, " + Math.round(bottle.leftMl())
                        + " were reckoned.",
                actor);
    }

    /** Empty, or given away; what was left is gone. Back again with {@code empty} false. */
    public void emptied(String code, boolean empty) {
        Actor actor = Actor.current();
        Bottle bottle = one(code, "bottle");
        jdbc.sql("update bottle set emptied_at = ? where id = ?")
                .params(empty ? now() : null, bottle.id())
                .update();
        if (empty) {
            opened(bottle);
            waste.keep(new Waste.Entry(
                    WasteKind.EMPTY_BOTTLE.name(),
                    1.0,
                    null,
                    null,
                    bottle.code() + ", " + bottle.resinName() + ": swirl with a little alcohol, cure what runs out"));
        }
        note(bottle.code(), "Bottle " + bottle.code() + (empty ? " is empty." : " is in use again."), actor);
    }

    /** Of a keeper only. */
    public void price(String code, Double price) {
        Actor.require(Role.KEEPER);
        jdbc.sql("update bottle set price = ? where id = ?")
                .params(price, one(code, "bottle").id())
                .update();
    }

    /**
     * Takes so much out, or puts so much back.
     *
     * @param ml out of it; negative: back into it
     * @throws Conflict if it does not hold so much, or would run over
     */
    Bottle take(String code, double ml) {
        Bottle bottle =
                find(code, true).orElseThrow(() -> new Refused("bottle", "There is no bottle called " + code + "."));
        requireHolds(bottle, ml);
        left(bottle, Math.max(0, bottle.leftMl() - ml));
        opened(bottle);
        return one(bottle.code(), "bottle");
    }

    /** @throws Conflict as {@link #take} does */
    static void requireHolds(Bottle bottle, double ml) {
        if (bottle.emptiedAt() != null) {
            throw new Conflict("bottle", "Bottle " + bottle.code() + " is empty on record.");
        }
        if (ml > bottle.leftMl() + 0.5) {
            throw new Conflict(
                    "ml",
                    "Only " + Math.round(bottle.leftMl()) + " ml are left in bottle " + bottle.code()
                            + " on record. Look or weigh it, and say how much is left.");
        }
        if (bottle.leftMl() - ml > bottle.fullMl() + 0.5) {
            throw new Conflict(
                    "ml",
                    "Bottle " + bottle.code() + " holds " + Math.round(bottle.fullMl()) + " ml and has "
                            + Math.round(bottle.leftMl()) + " in it: it would run over.");
        }
    }

    /** A pour was taken back: so is what it did to its bottle. */
    void giveBack(Pour pour) {
        if (pour.bottleId != null && pour.kind != PourKind.SIEVE) {
            jdbc.sql("update bottle set left_ml = greatest(0, left_ml + ?) where id = ?")
                    .params(pour.kind == PourKind.RETURN ? -pour.ml : pour.ml, pour.bottleId)
                    .update();
        }
    }

    private void left(Bottle bottle, double ml) {
        jdbc.sql("update bottle set left_ml = ? where id = ?")
                .params(ml, bottle.id())
                .update();
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }

    private void note(String code, String headline, Actor by) {
        long id = jdbc.sql("select id from bottle where code = ?")
                .param(code)
                .query(Long.class)
                .single();
        logbook.write(
                LogDraft.of(LogKind.BOTTLE, null, "BOTTLE", id, clock.instant(), headline, Map.of("bottle", code), by));
    }

    private static Bottle bottle(ResultSet row) throws SQLException {
        return new Bottle(
                row.getLong("id"),
                row.getString("code"),
                row.getLong("resin_id"),
                row.getString("resin"),
                row.getString("name"),
                row.getString("lot"),
                row.getDouble("full_ml"),
                row.getDouble("left_ml"),
                row.getObject("price", Double.class),
                instant(row, "at"),
                row.getObject("expires_on", LocalDate.class),
                instant(row, "opened_at"),
                instant(row, "shaken_at"),
                instant(row, "emptied_at"),
                row.getObject("density_g_per_ml", Double.class));
    }
}
