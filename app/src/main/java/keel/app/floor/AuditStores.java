package keel.app.floor;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.floor.Audit.About;
import keel.app.floor.Audit.Ledger;
import keel.app.stores.Bottles;
import keel.app.stores.FilmPacks;
import keel.app.stores.Stock;
import org.springframework.stereotype.Component;

/** Stores, packs and bottles against their movements; what came in against what was used. */
@Component
class AuditStores {

    private static final double CLOSE_ML = 0.5;

    private final AuditFacts facts;
    private final Stock stock;
    private final FilmPacks packs;
    private final Bottles bottles;

    AuditStores(AuditFacts facts, Stock stock, FilmPacks packs, Bottles bottles) {
        this.facts = facts;
        this.stock = stock;
        this.packs = packs;
        this.bottles = bottles;
    }

    /** Stock against its movements; sheets bought against sheets fitted, spoiled and left; bottles against pours. */
    void look(AuditSheet sheet) {
        Map<String, Stock.ItemView> shown =
                stock.all(false).stream().collect(Collectors.toMap(Stock.ItemView::item, Function.identity()));
        facts.items()
                .forEach(i -> sheet.number(
                        About.STOCK,
                        i.name() + ", on hand",
                        shown.containsKey(i.code()) ? shown.get(i.code()).quantity() : Double.NaN,
                        i.moved(),
                        "/stores/" + i.code()));
        Map<String, Integer> left = packs.inUse().stream()
                .collect(Collectors.toMap(FilmPacks.Pack::code, FilmPacks.Pack::left, (a, b) -> a));
        facts.packs().stream()
                .filter(p -> left.containsKey(p.code()))
                .forEach(p -> sheet.number(
                        About.STOCK,
                        "Pack " + p.code() + ", sheets left",
                        left.get(p.code()),
                        Math.max(0, p.sheets() - p.spoiled() - p.fitted()),
                        "/bench/packs"));
        facts.packs()
                .forEach(p -> sheet.unless(
                        p.spoiled() + p.fitted() > p.sheets(),
                        new Audit.Found(
                                About.STOCK,
                                "Pack " + p.code() + ", more sheets used than bought",
                                p.sheets() + " bought",
                                p.spoiled() + p.fitted() + " used",
                                "/bench/packs")));
        bottles(sheet);
    }

    private void bottles(AuditSheet sheet) {
        Map<String, Double> shown =
                bottles.all(true).stream().collect(Collectors.toMap(Bottles.Bottle::code, Bottles.Bottle::leftMl));
        facts.bottles().forEach(b -> {
            double reckoned = Math.max(0, b.from() - b.out() + b.back());
            sheet.unless(
                    Math.abs(shown.getOrDefault(b.code(), Double.NaN) - reckoned) > CLOSE_ML,
                    new Audit.Found(
                            About.STOCK,
                            "Bottle " + b.code() + ", ml left",
                            String.format(Locale.ROOT, "%.1f", shown.get(b.code())),
                            String.format(Locale.ROOT, "%.1f", reckoned),
                            "/stores/bottles"));
        });
    }

    /** What came in against what was used and what is there. */
    List<Ledger> ledger(AuditSums sums) {
        List<Ledger> lines = new ArrayList<>();
        AuditFacts.Sheets sheets = facts.sheets();
        if (sheets.came() > 0) {
            lines.add(line(
                    "Film sheets in packs",
                    "sheets",
                    sheets.came(),
                    sheets.fitted() + sheets.spoiled(),
                    Math.max(0, sheets.came() - sheets.fitted() - sheets.spoiled()),
                    sheets.loose() == 0
                            ? ""
                            : sheets.loose() + " more films were fitted that are noted from no pack."));
        }
        for (AuditFacts.PartsOf kind : facts.partsOf()) {
            lines.add(line(
                    kind.words(),
                    "pieces",
                    kind.all(),
                    kind.ended() + kind.fitted(),
                    kind.all() - kind.ended() - kind.fitted(),
                    kind.fitted() + " in use, " + kind.ended() + " ended."));
        }
        resin(lines);
        facts.moved()
                .forEach(i -> lines.add(new Ledger(
                        i.name(),
                        i.unit(),
                        i.came(),
                        i.used(),
                        i.onHand(),
                        i.counted(),
                        i.counted() == 0 ? "" : "found by counting: lost, or not booked.")));
        return lines;
    }

    private void resin(List<Ledger> lines) {
        AuditFacts.Resin r = facts.resin();
        if (r.came() > 0) {
            double missing = r.came() - r.used() - r.there() - r.gone();
            lines.add(new Ledger(
                    "Resin in bottles", "ml", r.came(), r.used(), r.there(), missing, resinWords(r, missing)));
        }
    }

    private static String resinWords(AuditFacts.Resin r, double missing) {
        return (missing < 1 ? "" : "seen when a bottle was looked at: poured without naming it, or lost. ")
                + (r.gone() < 1 ? "" : Math.round(r.gone()) + " ml were left in bottles called empty.");
    }

    private static Ledger line(String what, String unit, double came, double used, double there, String words) {
        return new Ledger(what, unit, came, used, there, came - used - there, words);
    }
}
