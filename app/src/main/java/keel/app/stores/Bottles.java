package keel.app.stores;

import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
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
import keel.core.quick.LabelCode;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Bottles of resin: which are there, how much is left in each, when it was opened and shaken. */
@Service
@Transactional
public class Bottles {

    static final int MOST_AT_ONCE = 100;

    private final Stock stock;
    private final Waste waste;
    private final Logbook logbook;
    private final BottleRecords records;
    private final BottleLooks looks;
    private final ResinRecords resins;
    private final StockItems items;
    private final Clock clock;

    Bottles(
            Stock stock,
            Waste waste,
            Logbook logbook,
            BottleRecords records,
            BottleLooks looks,
            ResinRecords resins,
            StockItems items,
            Clock clock) {
        this.stock = stock;
        this.waste = waste;
        this.logbook = logbook;
        this.records = records;
        this.looks = looks;
        this.resins = resins;
        this.items = items;
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

        /** What still goes into it, ml. */
        public double roomMl() {
            return Math.max(0, fullMl - leftMl);
        }

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
        return records.all(empty);
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

    /** Open bottles of a resin, those with the most room in them first; of all resins where null. */
    @Transactional(readOnly = true)
    public List<Bottle> withRoom(String resin) {
        return all(false).stream()
                .filter(b -> b.open() && (resin == null || b.resin().equals(resin)))
                .sorted(Comparator.comparing((Bottle b) -> -b.roomMl()))
                .toList();
    }

    /**
     * @param code as it stands on the bottle, or the text of its label as a scanner types it
     * @throws Refused at {@code field} if there is no such bottle
     */
    @Transactional(readOnly = true)
    public Bottle one(String code, String field) {
        return records.view(codeOf(code)).orElseThrow(() -> unknown(code, field));
    }

    private static Refused unknown(String code, String field) {
        return new Refused(field, "There is no bottle called " + code + ".");
    }

    private static String codeOf(String typed) {
        String stripped = typed == null ? "" : typed.strip();
        return LabelCode.read(stripped)
                .filter(l -> l.kind() == LabelCode.LabelKind.BOTTLE)
                .map(LabelCode::code)
                .orElse(stripped)
                .toUpperCase(Locale.ROOT);
    }

    private BottleRecord locked(String code) {
        return records.lock(codeOf(code)).orElseThrow(() -> unknown(code, "bottle"));
    }

    /** Answers their codes. */
    public List<String> add(Entry entry) {
        Actor actor = Actor.current();
        Findings findings = entry.findings();
        Resin resin =
                resins.findByCode(entry.resin() == null ? "" : entry.resin()).orElse(null);
        findings.when(resin == null, "resin", "Choose the resin.");
        Refused.unless(findings);
        List<BottleRecord> added = Stream.generate(() -> records.save(fresh(entry, resin, actor)))
                .limit(entry.count())
                .toList();
        List<String> codes = added.stream().map(b -> b.code).toList();
        String last = codes.get(codes.size() - 1);
        note(
                added.get(0),
                codes.size() == 1
                        ? "Bottle " + last + " of " + resin.name + " came in."
                        : codes.size() + " bottles of " + resin.name + " came in: " + codes.get(0) + " to " + last
                                + ".",
                actor);
        if (!Boolean.TRUE.equals(entry.counted())) {
            String what = codes.size() == 1 ? last : codes.get(0) + " to " + last;
            item(resin.id).ifPresent(i -> stock.moved(i, (double) codes.size(), "bottles " + what));
        }
        return codes;
    }

    /** Its number is taken from a row that no two can take from at once. */
    private BottleRecord fresh(Entry entry, Resin resin, Actor actor) {
        BottleRecord bottle = new BottleRecord();
        bottle.code = "B" + records.nextNumber();
        bottle.resinId = resin.id;
        bottle.lot = Typed.orNull(entry.lot());
        bottle.fullMl = entry.fullMl();
        bottle.leftMl = entry.fullMl();
        bottle.price = entry.price();
        bottle.at = clock.instant();
        bottle.personId = actor.personId();
        bottle.expiresOn = entry.expiresOn();
        return bottle;
    }

    /** The same, of a resin by its code. */
    @Transactional(readOnly = true)
    public Optional<String> counting(String resin) {
        return resins.findByCode(resin).flatMap(r -> item(r.id));
    }

    /** Item of the stores that counts the sealed bottles of a resin. */
    private Optional<String> item(long resin) {
        return records.countingItem(resin);
    }

    /**
     * From now on an item of the stores counts the sealed bottles of a resin: one goes out when one is opened. Blank:
     * none does.
     */
    public void countedBy(String resin, String item) {
        Actor.require(Role.KEEPER);
        Long id = item == null || item.isBlank()
                ? null
                : items.findByCode(item)
                        .map(i -> i.id)
                        .orElseThrow(() -> new Refused("item", "There is no item called " + item + "."));
        resins.findByCode(resin).orElseThrow(() -> new NotThere("There is no resin called " + resin + ".")).itemId = id;
    }

    private void opened(BottleRecord bottle) {
        if (bottle.openedAt == null) {
            bottle.openedAt = clock.instant();
            item(bottle.resinId).ifPresent(i -> stock.takeAnyway(i, 1, bottle.code + " opened"));
        }
    }

    /** It was shaken; unmixed pigment prints smoky. */
    public void shaken(String code) {
        locked(code).shakenAt = clock.instant();
    }

    /** Weighed or looked at: so much is left, whatever was reckoned. */
    public void measured(String code, Double leftMl) {
        Actor actor = Actor.current();
        BottleRecord bottle =
                records.lock(codeOf(code)).orElseThrow(() -> new NotThere("There is no bottle called " + code + "."));
        Findings findings = new Findings();
        findings.range(leftMl, 0, bottle.fullMl * 1.1, "leftMl", "What is left", "ml");
        Refused.unless(findings);
        String headline = "Bottle " + bottle.code + ": " + Math.round(leftMl) + " ml left, " + Math.round(bottle.leftMl)
                + " were reckoned.";
        looked(bottle, leftMl);
        bottle.leftMl = leftMl;
        if (leftMl < bottle.fullMl) {
            opened(bottle);
        }
        note(bottle, headline, actor);
    }

    private void looked(BottleRecord bottle, double leftMl) {
        BottleLook look = new BottleLook();
        look.bottleId = bottle.id;
        look.at = clock.instant();
        look.leftMl = leftMl;
        look.reckonedMl = bottle.leftMl;
        look.afterPour = looks.lastPour(bottle.id);
        looks.save(look);
    }

    /** Empty, or given away; what was left is gone. Back again with {@code empty} false. */
    public void emptied(String code, boolean empty) {
        Actor actor = Actor.current();
        BottleRecord bottle = locked(code);
        bottle.emptiedAt = empty ? clock.instant() : null;
        if (empty) {
            opened(bottle);
            waste.keep(new Waste.Entry(
                    WasteKind.EMPTY_BOTTLE.name(),
                    1.0,
                    null,
                    null,
                    bottle.code + ", " + resins.findById(bottle.resinId).orElseThrow().name
                            + ": swirl with a little alcohol, cure what runs out"));
        }
        note(bottle, "Bottle " + bottle.code + (empty ? " is empty." : " is in use again."), actor);
    }

    /** Of a keeper only. */
    public void price(String code, Double price) {
        Actor.require(Role.KEEPER);
        locked(code).price = price;
    }

    /**
     * Takes so much out, or puts so much back.
     *
     * @param ml out of it; negative: back into it
     * @throws Conflict if it does not hold so much, or would run over
     */
    Bottle take(String code, double ml) {
        BottleRecord bottle = locked(code);
        requireHolds(one(code, "bottle"), ml);
        bottle.leftMl = Math.max(0, bottle.leftMl - ml);
        opened(bottle);
        return one(bottle.code, "bottle");
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

    /** A pour was taken back: so is what it did to its bottle, unless somebody looked at that since. */
    void giveBack(Pour pour) {
        if (pour.bottleId != null && pour.kind != PourKind.SIEVE && pour.id > looks.looked(pour.bottleId)) {
            BottleRecord bottle = records.lock(pour.bottleId);
            bottle.leftMl = Math.max(0, bottle.leftMl + (pour.kind == PourKind.RETURN ? -pour.ml : pour.ml));
        }
    }

    private void note(BottleRecord bottle, String headline, Actor by) {
        logbook.write(LogDraft.of(
                LogKind.BOTTLE,
                null,
                "BOTTLE",
                bottle.id,
                clock.instant(),
                headline,
                Map.of("bottle", bottle.code),
                by));
    }
}
