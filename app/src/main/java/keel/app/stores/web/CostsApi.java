package keel.app.stores.web;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.app.base.Refused;
import keel.app.fleet.ShopTime;
import keel.app.stores.Costs;
import keel.core.Findings;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What prints cost, for programs. */
@RestController
@RequestMapping("/api/v1/costs")
class CostsApi {

    private static final int DAYS = 90;
    private static final int MOST_DAYS = 36_500;

    private final Costs costs;
    private final ShopTime times;

    CostsApi(Costs costs, ShopTime times) {
        this.costs = costs;
        this.times = times;
    }

    /** @param bought what was spent on it in the same days; null where nothing was ever paid for it on record */
    record Line(String name, double amount, Double bought) {}

    /**
     * Of the runs that began in a span and the parts that ended in it.
     *
     * @param total sum of the lines
     * @param perGoodPrint null where none came out
     */
    record Answer(int prints, int cameOut, double total, Double perGoodPrint, List<Line> lines) {}

    /** Of the last {@code days}, 90 if nothing is asked; or {@code from} a day or instant {@code to} another. */
    @GetMapping
    Answer costs(
            @RequestParam(required = false) Integer days,
            @RequestParam(required = false) String from,
            @RequestParam(required = false) String to) {
        Findings findings = new Findings();
        Instant now = times.now();
        if (days != null) {
            findings.range(days.doubleValue(), 0, MOST_DAYS, "days", "The days", "");
            findings.when(from != null || to != null, "days", "Give days, or from and to, not both.");
        }
        Instant until = times.to(to, "to", findings);
        Instant since = times.from(from, "from", findings);
        Refused.unless(findings);
        Instant end = until == null ? now : until;
        Instant start = since != null ? since : end.minus(Duration.ofDays(days == null ? DAYS : days));
        findings.when(start.isAfter(end), "from", "The span ends before it begins.");
        Refused.unless(findings);
        Costs.Overview o = costs.overview(start, end);
        return new Answer(
                o.all().used().prints(),
                o.all().good(),
                o.all().cost().perAttempt(),
                o.all().perGood(),
                o.all().cost().lines().stream()
                        .map(l -> new Line(l.name(), l.amount(), o.bought().get(l.name())))
                        .toList());
    }
}
