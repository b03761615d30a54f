package keel.app.stores;

import jakarta.persistence.EntityManager;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
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
import keel.core.stock.StockUnit;
import keel.core.wash.BathKind;
import keel.core.wash.WashBath;
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
    private final BathRecords records;
    private final EntityManager entities;
    private final Clock clock;

    Baths(
            ShopSettings settings,
            Stock stock,
            Waste waste,
            Logbook logbook,
            BathRecords records,
            EntityManager entities,
            Clock clock) {
        this.settings = settings;
        this.stock = stock;
        this.waste = waste;
        this.logbook = logbook;
        this.records = records;
        this.entities = entities;
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
        List<BathRow> rows = records.inUse().stream()
                .map(Baths::row)
                .sorted(Comparator.comparing(BathRow::place))
                .toList();
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

    private static BathRow row(BathRecords.Filled filled) {
        BathRecord bath = filled.bath();
        BathFill fill = filled.fill();
        BathReading reading = filled.reading();
        return new BathRow(
                bath.id,
                bath.code,
                bath.kind,
                bath.place,
                fill == null ? null : fill.at,
                fill == null ? bath.volumeMl : fill.volumeMl,
                fill == null ? null : fill.freshDensity,
                filled.firstMl() == null ? 0 : filled.firstMl(),
                (int) filled.firsts(),
                filled.secondMl() == null ? 0 : filled.secondMl(),
                (int) filled.seconds(),
                reading == null ? null : reading.at,
                reading == null ? null : reading.density);
    }

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
        BathRecord bath = new BathRecord();
        bath.code = "W" + records.nextNumber();
        bath.kind = of;
        bath.place = at;
        bath.volumeMl = volumeMl;
        records.save(bath);
        note(bath.id, "Bath " + bath.code + ": " + of.words() + ", " + Plain.number(volumeMl / 1000) + " l.", actor);
        return bath.code;
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
        BathFill fill = new BathFill();
        fill.bathId = bath.id();
        fill.at = clock.instant();
        fill.volumeMl = filling.volumeMl();
        fill.freshDensity = filling.freshDensity();
        fill.personId = actor.personId();
        entities.persist(fill);
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
        String unit = stock.one(item).unit();
        return ml
                / StockUnit.millilitresIn(unit)
                        .orElseThrow(() -> new Refused(
                                "fromStores",
                                "This item is counted in " + unit
                                        + ", not in litres or ml: nothing says how much of it " + "fills the bath."));
    }

    private void swap(Bath bath) {
        List<Bath> others = new ArrayList<>(all().stream()
                .filter(b -> b.id() != bath.id() && b.place() != Place.ONLY && b.place() != bath.place())
                .toList());
        if (bath.place() == Place.FIRST && others.size() == 1) {
            record(bath).place = Place.SECOND;
            record(others.get(0)).place = Place.FIRST;
        }
    }

    private BathRecord record(Bath bath) {
        return records.findById(bath.id()).orElseThrow();
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
        BathReading reading = new BathReading();
        reading.bathId = bath.id();
        reading.at = clock.instant();
        reading.density = density;
        reading.personId = actor.personId();
        entities.persist(reading);
        note(bath.id(), String.format(Locale.ROOT, "Bath %s reads %.3f g/ml.", bath.code(), density), actor);
    }

    private static void density(Double density, String field, Findings findings) {
        findings.rangeIfGiven(density, 0.7, 1.3, field, "The density", "g/ml");
    }

    public void retire(String code) {
        Actor actor = Actor.require(Role.KEEPER);
        Bath bath = one(code);
        if (records.washing(bath.id()) > 0) {
            throw new Conflict("Something is being washed in bath " + bath.code() + ".");
        }
        record(bath).retiredAt = clock.instant();
        note(bath.id(), "Bath " + bath.code() + " is not used any more.", actor);
    }

    private void note(long id, String headline, Actor by) {
        logbook.write(LogDraft.of(LogKind.BATH, null, "BATH", id, clock.instant(), headline, Map.of("bath", id), by));
    }
}
