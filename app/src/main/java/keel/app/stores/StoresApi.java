package keel.app.stores;

import java.time.Instant;
import java.util.List;
import keel.app.problems.Refused;
import keel.core.Findings;
import keel.core.spares.SpareDemand;
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

    StoresApi(Stock stock, Resins resins) {
        this.stock = stock;
        this.resins = resins;
    }

    record Movement(String item, Double quantity, String reason) {}

    record Pour(String resin, Double ml, Instant at) {}

    @GetMapping("/stock")
    List<Stock.ItemView> stock() {
        return stock.all(false);
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

    /** The stock that is enough with at least the level's chance; {@code distribution}: chance of 0, 1, 2, … ends within the lead time. */
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
        findings.when(q.inService() != null && q.inService().size() > MOST_PARTS, "inService", "More than " + MOST_PARTS + " parts.");
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
            SpareDemand demand = SpareDemand.of(q.inService().stream().map(p -> new SpareDemand.InService(new WeibullLife(p.shape(), p.scaleHours()), p.ageHours(), use)).toList());
            int stock = demand.stockFor(level);
            return new Spares(stock, demand.enough(stock), demand.expected(), demand.distribution());
        } catch (IllegalArgumentException e) {
            throw new Refused("inService", e.getMessage());
        }
    }

    @GetMapping("/resins")
    List<Resins.ResinView> resins() {
        return resins.all(false);
    }

    @PostMapping("/vats/{vat}/pours")
    @ResponseStatus(HttpStatus.CREATED)
    Resins.PourView pour(@PathVariable String vat, @RequestBody Pour pour) {
        return resins.pour(vat, pour.resin(), pour.ml(), pour.at());
    }
}
