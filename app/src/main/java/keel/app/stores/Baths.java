package keel.app.stores;

import static keel.app.base.Rows.instant;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.app.people.Actor;
import keel.app.people.LogDraft;
import keel.app.people.LogKind;
import keel.app.people.Logbook;
import keel.app.people.Role;
import keel.core.Findings;
import keel.core.Plain;
import keel.core.standing.Defaults;
import keel.core.wash.BathKind;
import keel.core.wash.WashBath;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.support.GeneratedKeyHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The baths of the shop: what was carried into each since it was filled, and when it no longer washes. */
@Service
@Transactional
public class Baths {

    private static final double LEAST_ML = 50;
    private static final double MOST_ML = 200_000;
    private static final double USUAL_ML = 3;

    private final ShopSettings settings;
    private final Stock stock;
    private final Waste waste;
    private final Logbook logbook;
    private final JdbcClient jdbc;
    private final Clock clock;

    Baths(ShopSettings settings, Stock stock, Waste waste, Logbook logbook, JdbcClient jdbc, Clock clock) {
        this.settings = settings;
        this.stock = stock;
        this.waste = waste;
        this.logbook = logbook;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Where a bath stands in the order. */
    public enum Place {
        FIRST("first"),
        SECOND("second"),
        ONLY("only one");

        private final String words;

        Place(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** A hydrometer's reading. */
    public record Reading(Instant at, double density, WashBath.Meaning means) {}

    /**
     * A bath as it stands.
     *
     * @param filledAt null if it never was
     * @param reading latest since it was filled, null if none
     * @param printsLeft until the limit, null if it was never filled
     */
    public record Bath(
            long id,
            String code,
            Place place,
            Instant filledAt,
            WashBath bath,
            Reading reading,
            WashBath.Verdict verdict,
            Integer printsLeft,
            double limitMl) {}

    /** Of every bath in use, the first before the second. */
    @Transactional(readOnly = true)
    public List<Bath> all() {
        Defaults d = settings.defaults();
        List<BathRow> rows = jdbc.sql(
                        """
                select b.id, b.code, b.kind, b.place, f.at, coalesce(f.volume_ml, b.volume_ml), f.fresh_density,
                  coalesce((select sum(w.resin_ml) from finishing w where w.first_bath_id = b.id
                  and w.first_at >= f.at), 0),
                  coalesce((select count(*) from finishing w where w.first_bath_id = b.id and w.first_at >= f.at), 0),
                  coalesce((select sum(w.resin_ml) from finishing w where w.second_bath_id = b.id
                  and w.second_at >= f.at), 0),
                  coalesce((select count(*) from finishing w where w.second_bath_id = b.id
                  and w.second_at >= f.at), 0), r.at, r.density
                from bath b left join bath_fill f on f.id = (select x.id from bath_fill x
                where x.bath_id = b.id order by x.at desc, x.id desc fetch first row only)
                left join bath_reading r on r.id = (select x.id from bath_reading x where x.bath_id = b.id
                and x.at >= f.at order by x.at desc, x.id desc fetch first row only)
                where b.retired_at is null order by case b.place when 'FIRST' then 0 when 'SECOND' then 1
                else 2 end, b.id""")
                .query((row, i) -> new BathRow(
                        row.getLong(1),
                        row.getString(2),
                        BathKind.valueOf(row.getString(3)),
                        Place.valueOf(row.getString(4)),
                        instant(row.getObject(5, OffsetDateTime.class)),
                        row.getDouble(6),
                        row.getObject(7, Double.class),
                        row.getDouble(8),
                        row.getInt(9),
                        row.getDouble(10),
                        row.getInt(11),
                        instant(row.getObject(12, OffsetDateTime.class)),
                        row.getObject(13, Double.class)))
                .list();
        boolean two = rows.stream().anyMatch(r -> r.place() == Place.SECOND);
        return rows.stream()
                .map(r -> bath(r, !two || r.place() == Place.ONLY, d))
                .toList();
    }

    private record BathRow(
            long id,
            String code,
            BathKind kind,
            Place place,
            Instant filledAt,
            double volumeMl,
            Double fresh,
            double firstMl,
            int firsts,
            double secondMl,
            int seconds,
            Instant readAt,
            Double density) {}

    /** What the first of two baths did not take off is a tenth of it, common practice, no source. */
    private static final double LEFT_FOR_SECOND = 0.1;

    private static Bath bath(BathRow r, boolean onlyOne, Defaults d) {
        WashBath bath = new WashBath(
                r.kind(),
                r.volumeMl(),
                r.fresh() == null ? r.kind().density() : r.fresh(),
                r.firstMl() + LEFT_FOR_SECOND * r.secondMl(),
                r.firsts() + r.seconds());
        double limit = d.value("wash.limitShare");
        Reading reading = r.density() == null
                ? null
                : new Reading(r.readAt(), r.density(), bath.meaning(r.density(), WashBath.RESIN_DENSITY));
        return new Bath(
                r.id(),
                r.code(),
                r.place(),
                r.filledAt(),
                bath,
                reading,
                bath.verdict(r.density(), WashBath.RESIN_DENSITY, limit, d.value("wash.leastStrength"), onlyOne),
                r.filledAt() == null ? null : Integer.valueOf(bath.printsLeft(limit, USUAL_ML)),
                limit * r.volumeMl() / (1 - limit));
    }

    /** @throws NotThere if there is no such bath in use */
    @Transactional(readOnly = true)
    public Bath one(String code) {
        return all().stream()
                .filter(b -> b.code().equalsIgnoreCase(code))
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no bath " + code + "."));
    }

    /** Answers its code. */
    public String add(String kind, String place, Double volumeMl) {
        Actor actor = Actor.require(Role.KEEPER);
        Findings findings = new Findings();
        BathKind of = List.of(BathKind.values()).stream()
                .filter(k -> k.name().equals(kind))
                .findFirst()
                .orElse(null);
        Place at = List.of(Place.values()).stream()
                .filter(p -> p.name().equals(place))
                .findFirst()
                .orElse(null);
        findings.when(of == null, "kind", "Say what is in it.");
        findings.when(at == null, "place", "Say whether it is the first bath, the second, or the only one.");
        findings.range(volumeMl, LEAST_ML, MOST_ML, "volumeMl", "What it holds", "ml");
        Refused.unless(findings);
        String code = "W"
                + (jdbc.sql("select coalesce(max(cast(substring(code, 2) as int)), 0) from bath")
                                .query(Integer.class)
                                .single()
                        + 1);
        GeneratedKeyHolder key = new GeneratedKeyHolder();
        jdbc.sql("insert into bath (code, kind, place, volume_ml) values (?, ?, ?, ?)")
                .params(code, of.name(), at.name(), volumeMl)
                .update(key, "id");
        note(
                key.getKeyAs(Long.class),
                "Bath " + code + ": " + of.words() + ", " + Plain.number(volumeMl / 1000) + " l.",
                actor);
        return code;
    }

    /** How it is filled anew. */
    public record Filling(Double volumeMl, Double freshDensity, String fromStores, boolean swaps) {}

    /**
     * Fills it anew; what was in it becomes raw waste. With {@code swaps} it changes places with the other of two
     * baths: the fresh one is always the second.
     *
     * @throws Refused if the amounts cannot be, or there is no such item
     */
    public void fill(String code, Filling filling) {
        Actor actor = Actor.current();
        Bath bath = one(code);
        Findings findings = new Findings();
        findings.range(filling.volumeMl(), LEAST_ML, MOST_ML, "volumeMl", "What was filled in", "ml");
        density(filling.freshDensity(), "freshDensity", findings);
        Refused.unless(findings);
        if (bath.filledAt() != null) {
            waste.keep(new Waste.Entry(
                    bath.bath().kind().burns() ? WasteKind.DIRTY_ALCOHOL.name() : WasteKind.RINSE_WATER.name(),
                    (double) Math.round(bath.bath().volumeMl() + bath.bath().carriedMl()),
                    "from bath " + bath.code(),
                    null,
                    String.format(
                            Locale.ROOT, "%d prints washed in it", bath.bath().prints())));
        }
        if (filling.fromStores() != null && !filling.fromStores().isBlank()) {
            stock.move(filling.fromStores(), -inUnit(filling.fromStores(), filling.volumeMl()), "bath " + bath.code());
        }
        jdbc.sql("insert into bath_fill (bath_id, at, volume_ml, fresh_density, person_id) values (?, ?, ?, ?, ?)")
                .params(bath.id(), now(), filling.volumeMl(), filling.freshDensity(), actor.personId())
                .update();
        if (filling.swaps()) {
            swap(bath);
        }
        note(
                bath.id(),
                "Bath " + bath.code() + " filled anew with " + Plain.number(filling.volumeMl() / 1000) + " l"
                        + (bath.filledAt() == null
                                ? "."
                                : " after " + bath.bath().prints() + " prints."),
                actor);
    }

    private double inUnit(String item, double ml) {
        return stock.one(item).unit().toLowerCase(Locale.ROOT).startsWith("l") ? ml / 1000 : ml;
    }

    private void swap(Bath bath) {
        List<Bath> others = new ArrayList<>(all().stream()
                .filter(b -> b.id() != bath.id() && b.place() != Place.ONLY && b.place() != bath.place())
                .toList());
        if (bath.place() == Place.FIRST && others.size() == 1) {
            jdbc.sql("update bath set place = 'SECOND' where id = ?")
                    .param(bath.id())
                    .update();
            jdbc.sql("update bath set place = 'FIRST' where id = ?")
                    .param(others.get(0).id())
                    .update();
        }
    }

    /** What a hydrometer shows. */
    public void read(String code, Double density) {
        Actor actor = Actor.current();
        Bath bath = one(code);
        Findings findings = new Findings();
        findings.when(density == null, "density", "Read the hydrometer: g/ml, like 0.792.");
        density(density, "density", findings);
        findings.when(bath.filledAt() == null, "density", "It was never filled.");
        Refused.unless(findings);
        jdbc.sql("insert into bath_reading (bath_id, at, density, person_id) values (?, ?, ?, ?)")
                .params(bath.id(), now(), density, actor.personId())
                .update();
        note(bath.id(), String.format(Locale.ROOT, "Bath %s reads %.3f g/ml.", bath.code(), density), actor);
    }

    private static void density(Double density, String field, Findings findings) {
        findings.rangeIfGiven(density, 0.7, 1.3, field, "The density", "g/ml");
    }

    public void retire(String code) {
        Actor actor = Actor.require(Role.KEEPER);
        Bath bath = one(code);
        if (jdbc.sql("select count(*) from finishing where done_at is null and dry_at is null and "
                                + "(first_bath_id = ? or second_bath_id = ?)")
                        .params(bath.id(), bath.id())
                        .query(Integer.class)
                        .single()
                > 0) {
            throw new Conflict("Something is being washed in bath " + bath.code() + ".");
        }
        jdbc.sql("update bath set retired_at = ? where id = ?")
                .params(now(), bath.id())
                .update();
        note(bath.id(), "Bath " + bath.code() + " is not used any more.", actor);
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(LogDraft.of(LogKind.BATH, null, "BATH", id, clock.instant(), headline, Map.of("bath", id), by));
    }

    private OffsetDateTime now() {
        return clock.instant().atOffset(ZoneOffset.UTC);
    }
}
