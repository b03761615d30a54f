package keel.app.stores.web;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Instant;
import java.util.List;
import keel.app.base.Refused;
import keel.app.stores.BottlePours;
import keel.app.stores.Bottles;
import keel.app.stores.Buying;
import keel.app.stores.PourKind;
import keel.app.stores.ResinView;
import keel.app.stores.Resins;
import keel.app.stores.Stock;
import keel.core.Findings;
import keel.core.cost.PrintCost;
import keel.core.spares.SpareDemand;
import keel.core.stock.Reorder;
import keel.core.wear.WeibullLife;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/v1")
class StoresApi {

    private static final double SERVICE_LEVEL = 0.95;
    private static final double MOST_LEVEL = 0.9999;
    private static final int MOST_PARTS = 2000;

    private final Stock stock;
    private final Resins resins;
    private final Bottles bottles;
    private final BottlePours bottlePours;
    private final Buying buying;

    StoresApi(Stock stock, Resins resins, Bottles bottles, BottlePours bottlePours, Buying buying) {
        this.stock = stock;
        this.resins = resins;
        this.bottles = bottles;
        this.bottlePours = bottlePours;
        this.buying = buying;
    }

    record Movement(String item, Double quantity, String reason) {}

    /** From a bottle by its code, or of a resin where bottles are not kept. */
    record Pour(String bottle, String resin, Double ml, PourKind kind, Instant at) {}

    /** An item; {@code reorderPoint} is null where nothing went out lately and nobody set a low mark. */
    record StockLine(
            @JsonUnwrapped Stock.ItemView item,
            Double reorderPoint,
            double onOrder,
            double dailyDemand,
            Double runsOut) {}

    @GetMapping("/stock")
    List<StockLine> stock() {
        return buying.lines().stream()
                .map(l -> new StockLine(
                        l.item(), l.reorderPoint(), l.onOrder(), l.demand().mean(), l.runsOut()))
                .toList();
    }

    /** Something to buy. */
    record ToBuy(String item, double quantity, String why) {}

    @GetMapping("/buying-list")
    List<ToBuy> buyingList() {
        return buying.lines().stream()
                .filter(l -> l.quantity() > 0)
                .map(l -> new ToBuy(l.item().item(), l.quantity(), l.why()))
                .toList();
    }

    /** When to order a steadily used item, and how much. */
    @PostMapping("/stores/reorder")
    Reorder reorder(@RequestBody Reorder.ReorderItem asked) {
        Reorder.ReorderItem item = new Reorder.ReorderItem(
                asked.dailyDemand(),
                asked.dailyDemandSd(),
                asked.leadDays(),
                asked.leadDaysSd() == null ? Double.valueOf(0) : asked.leadDaysSd(),
                asked.serviceLevel(),
                asked.packSize() == null ? Double.valueOf(1) : asked.packSize(),
                asked.coverDays() == null ? Double.valueOf(Reorder.COVER_DAYS) : asked.coverDays());
        Findings findings = new Findings();
        item.check(findings);
        Refused.unless(findings);
        return Reorder.of(item);
    }

    /** What a print costs. */
    @PostMapping("/cost/print")
    PrintCost cost(@RequestBody PrintCost.Uses uses) {
        Findings findings = new Findings();
        uses.check(findings);
        Refused.unless(findings);
        return PrintCost.of(uses);
    }

    /** {@code quantity} is signed: positive came in, negative went out. */
    @PostMapping("/stock/movements")
    @ResponseStatus(HttpStatus.CREATED)
    Stock.ItemView move(@RequestBody Movement movement) {
        return stock.move(movement.item(), movement.quantity(), movement.reason());
    }

    /** A part in service: its Weibull life and how old it is. */
    record PartEntry(Double shape, Double scaleHours, Double ageHours) {}

    record SparesQuestion(List<PartEntry> inService, Double hoursPerDay, Double leadDays, Double serviceLevel) {}

    /**
     * The stock that is enough with at least the level's chance; {@code distribution}: chance of 0, 1, 2, … ends
     * within the lead time.
     */
    record Spares(int stock, double serviceLevelReached, double expectedDemand, double[] distribution) {}

    /** How many spares of a part to hold, so that they last until new ones come. */
    @PostMapping("/stores/spares")
    Spares spares(@RequestBody SparesQuestion q) {
        Findings findings = new Findings();
        findings.range(q.hoursPerDay(), 0, 24, "hoursPerDay", "Use a day", "h");
        findings.range(q.leadDays(), 0, 3650, "leadDays", "The lead time", "days");
        double level = q.serviceLevel() == null ? SERVICE_LEVEL : q.serviceLevel();
        findings.range(level, 0, MOST_LEVEL, "serviceLevel", "The service level", "");
        findings.when(q.inService() == null, "inService", "The parts in service are missing.");
        findings.when(
                q.inService() != null && q.inService().size() > MOST_PARTS,
                "inService",
                "More than " + MOST_PARTS + " parts.");
        Refused.unless(findings);
        for (int i = 0; i < q.inService().size(); i++) {
            PartEntry p = q.inService().get(i);
            String field = "inService[" + i + "]";
            if (!findings.when(p == null, field, "A part is missing.")) {
                findings.range(p.shape(), 0.05, 100, field + ".shape", "The shape", "");
                findings.range(p.scaleHours(), 1e-3, 1e7, field + ".scaleHours", "The scale", "h");
                findings.range(p.ageHours(), 0, 1e7, field + ".ageHours", "The age", "h");
            }
        }
        Refused.unless(findings);
        return spares(q, level);
    }

    private static Spares spares(SparesQuestion q, double level) {
        try {
            double use = q.hoursPerDay() * q.leadDays();
            SpareDemand demand = SpareDemand.of(q.inService().stream()
                    .map(p -> new SpareDemand.InService(new WeibullLife(p.shape(), p.scaleHours()), p.ageHours(), use))
                    .toList());
            int stock = demand.stockFor(level);
            return new Spares(stock, demand.enough(stock), demand.expected(), demand.distribution());
        } catch (IllegalArgumentException e) {
            throw new Refused("inService", e.getMessage());
        }
    }

    @GetMapping("/resins")
    List<ResinView> resins() {
        return resins.all(false);
    }

    /**
     * From a bottle: refused where it would mix or run over. Of a resin: written down, and the machine is held if it
     * mixed.
     */
    @PostMapping("/vats/{vat}/pours")
    @ResponseStatus(HttpStatus.CREATED)
    Object pour(@PathVariable String vat, @RequestBody Pour pour) {
        if (pour.bottle() == null && pour.resin() != null) {
            return resins.pour(vat, pour.resin(), pour.ml(), pour.at());
        }
        return bottlePours.pour(
                vat, pour.bottle(), pour.ml(), pour.kind() == null ? PourKind.POUR : pour.kind(), pour.at());
    }

    @GetMapping("/bottles")
    List<Bottles.Bottle> bottles() {
        return bottles.all(false);
    }

    /** Answers the codes of as many bottles as came in. */
    @PostMapping("/bottles")
    @ResponseStatus(HttpStatus.CREATED)
    List<String> addBottles(@RequestBody Bottles.Entry entry) {
        return bottles.add(new Bottles.Entry(
                entry.resin(),
                entry.count() == null ? Integer.valueOf(1) : entry.count(),
                entry.fullMl(),
                entry.lot(),
                entry.price(),
                entry.expiresOn(),
                entry.counted()));
    }
}
