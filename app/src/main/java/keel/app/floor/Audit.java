package keel.app.floor;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.fleet.ComponentKind;
import keel.app.floor.AuditFacts.Part;
import keel.app.floor.AuditFacts.Run;
import keel.app.shell.ShopAudit;
import keel.app.standing.EveryPart;
import keel.app.standing.PartLives;
import keel.app.standing.PartView;
import keel.app.standing.PartsReading;
import keel.app.stores.Costs;
import keel.app.stores.Spares;
import keel.core.cost.PrintCost;
import keel.core.rate.ExactPoisson;
import keel.core.wear.Usage;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Holds what pages and the open interface show against what follows from the raw record, reckoned another way
 * ({@link AuditSums}), and says every difference.
 */
@Service
@Transactional(readOnly = true)
public class Audit implements ShopAudit {

    private static final String LIVES = "/bench/lives";
    private static final double UNLIKELY = 0.01;
    private static final Duration A_YEAR = Duration.ofDays(365);
    private static final List<Integer> SPANS = List.of(30, 90, 365);

    private final AuditFacts facts;
    private final EveryPart everyPart;
    private final PartsReading reading;
    private final PartLives lives;
    private final Spares spares;
    private final Costs costs;
    private final AuditMachines machines;
    private final AuditStores stores;
    private final AuditAdvice advice;
    private final Clock clock;
    private final AuditFile file;

    Audit(
            AuditFacts facts,
            EveryPart everyPart,
            PartsReading reading,
            PartLives lives,
            Spares spares,
            Costs costs,
            AuditMachines machines,
            AuditStores stores,
            AuditAdvice advice,
            AuditFile file,
            Clock clock) {
        this.file = file;
        this.facts = facts;
        this.everyPart = everyPart;
        this.reading = reading;
        this.lives = lives;
        this.spares = spares;
        this.costs = costs;
        this.machines = machines;
        this.stores = stores;
        this.advice = advice;
        this.clock = clock;
    }

    /** What kind of figure a finding is about, in the words of its page. */
    public enum About {
        PARTS("Parts and what they have been through"),
        COUNTS("Counts of parts"),
        FORECAST("Forecasts against what happened"),
        MACHINES("Meters of machines"),
        STANDING("How machines stand"),
        ADVICE("Sentences of advice"),
        RUNS("Prints and how they came out"),
        COSTS("Costs"),
        STOCK("Stores");

        private final String words;

        About(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * A difference.
     *
     * @param what of what, {@code shown} on its page, {@code reckoned} from the record
     * @param page where it is shown
     */
    public record Found(About about, String what, String shown, String reckoned, String page) {

        public String words() {
            return what + ": shown " + shown + ", by the record " + reckoned + ".";
        }
    }

    /**
     * What came into the shop against what was used and what is there.
     *
     * @param missing what is not accounted for: lost, or not booked; below 0 more is there than came
     * @param words what explains it
     */
    public record Ledger(
            String what, String unit, double came, double used, double there, double missing, String words) {}

    /**
     * @param looked how many figures were held against one another
     * @param ledger what came in against what was used, where it is counted
     */
    public record Report(Instant at, int looked, List<Found> found, List<Ledger> ledger) {

        public Map<About, List<Found>> byKind() {
            return found.stream().collect(Collectors.groupingBy(Found::about, TreeMap::new, Collectors.toList()));
        }
    }

    /** The last one that was made; null where none was. */
    public Report last() {
        return file.last().orElse(null);
    }

    /** Looks at everything now. */
    public Report look() {
        AuditSheet sheet = new AuditSheet();
        AuditSums sums = new AuditSums(facts);
        parts(sums, sheet);
        counts(sums, sheet);
        forecasts(sheet);
        machines.look(sums, sheet);
        runs(sums, sheet);
        costs(sheet);
        stores.look(sheet);
        advice.look(sheet);
        Report report = new Report(clock.instant(), sheet.looked(), sheet.found(), stores.ledger(sums));
        file.keep(report);
        return report;
    }

    @Override
    public Answer answer() {
        Report report = look();
        Stream<String> lines = report.found().stream().map(f -> f.about().words() + ". " + f.words());
        String end = report.found().isEmpty()
                ? "Nothing found: " + report.looked() + " figures agree with the record."
                : report.found().size() + " of " + report.looked() + " figures differ from the record.";
        return new Answer(
                report.found().isEmpty(), Stream.concat(lines, Stream.of(end)).collect(Collectors.joining("\n")));
    }

    private void parts(AuditSums sums, AuditSheet sheet) {
        Map<Long, String> models =
                facts.models().stream().collect(Collectors.toMap(AuditFacts.Model::id, AuditFacts.Model::code));
        Map<String, EveryPart.Part> shown =
                everyPart.all(null).stream().collect(Collectors.toMap(EveryPart.Part::code, Function.identity()));
        Map<String, Usage> usage = Stream.of(ComponentKind.values())
                .flatMap(k -> reading.all(k, true).stream())
                .collect(Collectors.toMap(PartView::code, PartView::usage));
        for (Part part : sums.parts()) {
            if (part.kind().equals("VAT")) {
                continue;
            }
            EveryPart.Part seen = shown.get(part.code());
            sheet.text(About.COUNTS, part.code() + " is listed", seen == null ? "no" : "yes", "yes", LIVES);
            if (seen != null) {
                through(part, sums.through(part), seen, usage.get(part.code()), sheet);
                Long model = sums.model(part);
                ended(part, seen, model == null ? null : models.get(model), sums.fitted(part), sheet);
            }
        }
    }

    private static void through(
            Part part, AuditSums.Through through, EveryPart.Part seen, Usage use, AuditSheet sheet) {
        sheet.number(About.PARTS, part.code() + ", hours", seen.hours(), through.hours(), LIVES);
        sheet.number(About.PARTS, part.code() + ", UV hours", seen.uvHours(), through.uvHours(), LIVES);
        sheet.number(About.PARTS, part.code() + ", layers", seen.layers(), through.layers(), LIVES);
        sheet.number(About.PARTS, part.code() + ", prints", use.prints(), through.prints(), "/bench");
        sheet.number(About.PARTS, part.code() + ", resin, ml", use.resinMl(), through.ml(), "/bench");
    }

    private static void ended(Part part, EveryPart.Part seen, String model, boolean fitted, AuditSheet sheet) {
        sheet.text(
                About.COUNTS,
                part.code() + ", on a machine although it ended",
                part.endedAt() != null && fitted,
                false,
                "/bench");
        sheet.text(About.PARTS, part.code() + ", the model that it fits", seen.model(), model, LIVES);
        sheet.text(
                About.PARTS,
                part.code() + ", why it ended",
                seen.endedAt() == null ? null : seen.endReason(),
                part.endedAt() == null ? null : part.endReason(),
                LIVES);
    }

    /** The list of parts, the lives, the page of lives and the spares count the same parts. */
    private void counts(AuditSums sums, AuditSheet sheet) {
        Map<Long, AuditFacts.Model> models =
                facts.models().stream().collect(Collectors.toMap(AuditFacts.Model::id, Function.identity()));
        Map<String, List<Part>> byKind = sums.parts().stream()
                .filter(p -> !p.kind().equals("VAT"))
                .collect(Collectors.groupingBy(p -> {
                    AuditFacts.Model model = models.get(sums.model(p));
                    boolean tank = p.kind().equals("FILM")
                            && model != null
                            && model.kind().equals("LASER_TANK");
                    return (tank ? "TANK" : p.kind()) + " " + (model == null ? null : model.code());
                }));
        Instant yearAgo = clock.instant().minus(A_YEAR);
        Map<String, EveryPart.Lives> shown = everyPart.lives().stream()
                .collect(Collectors.toMap(l -> l.kind() + " " + l.model(), Function.identity()));
        byKind.forEach((key, parts) -> {
            EveryPart.Lives l = shown.get(key);
            long ends = parts.stream().filter(p -> p.endedAt() != null).count();
            long lately = parts.stream()
                    .filter(p -> p.endedAt() != null && p.endedAt().isAfter(yearAgo))
                    .count();
            sheet.number(About.COUNTS, key + ", parts", l == null ? 0 : l.parts(), parts.size(), LIVES);
            sheet.number(About.COUNTS, key + ", ends", l == null ? 0 : l.ends(), ends, LIVES);
            sheet.number(About.COUNTS, key + ", ends last year", l == null ? 0 : l.endsLastYear(), lately, LIVES);
        });
        lives.groups().forEach(g -> group(g, sheet));
    }

    private void group(PartLives.Group g, AuditSheet sheet) {
        EveryPart.Lives counted = everyPart(g);
        String of = g.kind() + " " + g.model();
        sheet.number(About.COUNTS, of + ", parts of the page", g.parts(), counted.parts(), LIVES);
        sheet.number(About.COUNTS, of + ", ends of the page", g.ends(), counted.ends(), LIVES);
    }

    private EveryPart.Lives everyPart(PartLives.Group group) {
        return everyPart.lives().stream()
                .filter(l ->
                        l.kind().equals(group.kind().name()) && group.model().equals(l.modelName()))
                .findFirst()
                .orElseThrow();
    }

    /** What is forecast for a year against what happened in the last, by an exact test; a young shop tells less. */
    private void forecasts(AuditSheet sheet) {
        Instant first = facts.firstRun();
        if (first == null) {
            return;
        }
        double share = Math.min(1, Duration.between(first, clock.instant()).toHours() / (365 * 24.0));
        spares.lines(Spares.LEAD_DAYS, Spares.SERVICE_PERCENT / 100).forEach(l -> {
            double expected = share * l.perYear();
            sheet.unless(
                    ExactPoisson.p(l.endsLastYear(), expected) < UNLIKELY,
                    new Found(
                            About.FORECAST,
                            l.kind().several() + " for " + String.join(", ", l.models()) + ", ends a year",
                            String.format(Locale.ROOT, "%.1f forecast", l.perYear()),
                            l.endsLastYear() + " last year",
                            "/bench/spares"));
        });
    }

    private void runs(AuditSums sums, AuditSheet sheet) {
        Instant now = clock.instant();
        for (int days : SPANS) {
            Instant from = now.minus(Duration.ofDays(days));
            List<Run> ran = sums.runs().stream()
                    .filter(r -> !r.startedAt().isBefore(from) && r.startedAt().isBefore(now))
                    .toList();
            Costs.Group all = costs.overview(from, now).all();
            String page = "/costs?days=" + days;
            sheet.number(About.RUNS, "Prints of " + days + " days", all.used().prints(), ran.size(), page);
            sheet.number(
                    About.RUNS,
                    "Came out in " + days + " days",
                    all.good(),
                    ran.stream().filter(Run::cameOut).count(),
                    page);
            sheet.number(
                    About.RUNS,
                    "Resin of " + days + " days, ml",
                    all.used().resinMl(),
                    ran.stream().mapToDouble(Run::usedMl).sum(),
                    page);
            sheet.number(
                    About.RUNS,
                    "Hours of " + days + " days",
                    all.used().hours(),
                    ran.stream().mapToDouble(Run::hours).sum(),
                    page);
        }
    }

    /** Machines, months and lines each add up to the same total. */
    private void costs(AuditSheet sheet) {
        Costs.Overview o = costs.overview(365);
        double total = o.all().cost().perAttempt();
        sheet.number(About.COSTS, "Lines of a year", sum(o.all().cost().lines()), total, "/costs?days=365");
        sheet.number(About.COSTS, "Machines of a year", perAttempt(o.machines()), total, "/costs?days=365");
        sheet.number(About.COSTS, "Months of a year", perAttempt(o.months()), total, "/costs?days=365");
        sheet.number(
                About.COSTS,
                "Jobs of a year, and what ended early",
                perAttempt(o.jobs()) + o.all().unpaid() + o.all().resinLost(),
                total,
                "/costs?days=365");
    }

    private static double sum(List<PrintCost.CostLine> lines) {
        return lines.stream().mapToDouble(PrintCost.CostLine::amount).sum();
    }

    private static double perAttempt(List<Costs.Group> groups) {
        return groups.stream().mapToDouble(g -> g.cost().perAttempt()).sum();
    }
}
