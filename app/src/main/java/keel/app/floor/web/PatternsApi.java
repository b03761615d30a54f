package keel.app.floor.web;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import keel.app.base.Refused;
import keel.app.fleet.ShopSettings;
import keel.app.fleet.ShopTime;
import keel.app.floor.patterns.PatternFinding;
import keel.app.floor.patterns.Patterns;
import keel.core.Findings;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the fleet's failures say, for programs. */
@RestController
class PatternsApi {

    private static final int USUAL_DAYS = 365;

    private final Patterns patterns;
    private final ShopTime times;
    private final ShopSettings settings;
    private final Clock clock;

    PatternsApi(Patterns patterns, ShopTime times, ShopSettings settings, Clock clock) {
        this.patterns = patterns;
        this.times = times;
        this.settings = settings;
        this.clock = clock;
    }

    /**
     * Something that was found.
     *
     * @param kind the trait by which its prints are told, CHANGE, or RUNNING
     * @param prints its prints, of which {@code failures} failed; a chain of failed reprints counts once
     * @param perYearMoney what its further failures cost a year, {@code low} to {@code high} (95 %)
     * @param since when it turned, null where it was so all along
     */
    record PatternLine(
            String kind,
            String what,
            String text,
            int prints,
            int failures,
            int otherPrints,
            int otherFailures,
            double perYearMoney,
            double low,
            double high,
            Instant since,
            double p,
            List<String> because,
            String advice) {}

    /** {@code prints} and {@code cameOut} of the whole span, as the costs count them. */
    record Answer(int prints, int cameOut, List<PatternLine> findings) {}

    /** @param from a day or an instant, a year ago where it is left out; {@code to} likewise, now */
    @GetMapping("/api/v1/patterns")
    Answer patterns(@RequestParam(required = false) String from, @RequestParam(required = false) String to) {
        Findings findings = new Findings();
        Instant begin = times.from(from, "from", findings);
        Instant end = times.to(to, "to", findings);
        Instant first = begin != null ? begin : before(end == null ? clock.instant() : end);
        findings.when(end != null && !end.isAfter(first), "to", "The end must come after the beginning.");
        Refused.unless(findings);
        Patterns.Found found = patterns.of(first, end);
        return new Answer(
                found.prints(),
                found.cameOut(),
                found.findings().stream().map(PatternsApi::line).toList());
    }

    private Instant before(Instant end) {
        return end.atZone(settings.zone())
                .truncatedTo(ChronoUnit.DAYS)
                .minusDays(USUAL_DAYS)
                .toInstant();
    }

    private static PatternLine line(PatternFinding f) {
        return new PatternLine(
                f.kind(),
                f.what(),
                f.text(),
                f.own().prints(),
                f.own().failed(),
                f.rest().prints(),
                f.rest().failed(),
                f.perYear().likely(),
                f.perYear().low(),
                f.perYear().high(),
                f.since(),
                f.p(),
                f.because().stream().map(PatternFinding.Reason::text).toList(),
                f.advice().text());
    }
}
