package keel.app.stores.web;

import java.util.List;
import java.util.Set;
import keel.app.base.Refused;
import keel.app.stores.Spares;
import keel.core.Findings;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Spares, for programs. */
@RestController
@RequestMapping("/api/v1/spares")
class SparesApi {

    private final Spares spares;

    SparesApi(Spares spares) {
        this.spares = spares;
    }

    /**
     * Parts of a kind that fit the same machines.
     *
     * @param models codes of machine models
     * @param chanceOfWaiting that somebody waits for one within the lead time, with what is on the shelf
     * @param wanted stock to hold, before what is there is taken off
     */
    record Spare(
            String kind,
            Set<String> models,
            int inService,
            int endsLastYear,
            double expectedPerYear,
            double leadDays,
            double chanceOfWaiting,
            int onShelf,
            int wanted) {}

    /** What to hold: enough for the lead time with a chance of 95 % where nothing else is asked. */
    @GetMapping
    List<Spare> all(@RequestParam(required = false) Double leadDays, @RequestParam(required = false) Double percent) {
        double days = leadDays == null ? Spares.LEAD_DAYS : leadDays;
        double level = percent == null ? Spares.SERVICE_PERCENT : percent;
        Findings findings = new Findings();
        Spares.check(days, level, findings);
        Refused.unless(findings);
        return spares.lines(days, level / 100).stream()
                .map(l -> new Spare(
                        l.kind().name(),
                        l.modelCodes(),
                        l.inService(),
                        l.endsLastYear(),
                        l.perYear(),
                        days,
                        l.waits(),
                        l.there(),
                        l.stock()))
                .toList();
    }
}
