package keel.app.floor.patterns;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import keel.app.failures.EvidenceChanged;
import keel.app.fleet.ShopTime;
import keel.app.people.LogLine;
import keel.app.standing.RunsChanged;
import keel.app.stores.Costs;
import keel.core.pattern.Pattern;
import keel.core.pattern.Pattern.Counts;
import keel.core.pattern.Pattern.Group;
import keel.core.pattern.PatternSearch;
import keel.core.pattern.Running;
import keel.core.pattern.Told;
import keel.core.pattern.Trait;
import keel.core.pattern.Turn;
import keel.core.rate.RateDifference;
import keel.core.rate.SuccessRate;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/** What the failures of a span say, the dearest first. What was found is kept until prints or causes change. */
@Service
public class Patterns {

    private static final double FALSE_DISCOVERY = 0.1;
    private static final double DAYS_A_YEAR = 365;
    private static final double SECONDS_A_DAY = 86_400;
    private static final int KEPT = 20;

    private final ToldPrints prints;
    private final Costs costs;
    private final StandsBefore standsBefore;
    private final ShopTime times;
    private final Clock clock;
    private final Cache<Span, Found> kept = Caffeine.newBuilder()
            .maximumSize(KEPT)
            .expireAfterWrite(Duration.ofHours(1))
            .build();

    Patterns(ToldPrints prints, Costs costs, StandsBefore standsBefore, ShopTime times, Clock clock) {
        this.prints = prints;
        this.costs = costs;
        this.standsBefore = standsBefore;
        this.times = times;
        this.clock = clock;
    }

    private record Span(Instant from, Instant to) {}

    /**
     * @param prints that ended in the span, as the costs count them
     * @param perFailure money that a failed print costs in the mean, null where none failed
     * @param reprints failed reprints, which count with what they print again
     * @param months prints by month, {@code machines} by machine
     */
    public record Found(
            int prints,
            int cameOut,
            Double perFailure,
            int reprints,
            List<PatternFinding> findings,
            List<Costs.Group> months,
            Map<Group, Counts> machines,
            ToldPrints.Prints told) {}

    @TransactionalEventListener(fallbackExecution = true)
    void on(RunsChanged changed) {
        kept.invalidateAll();
    }

    @TransactionalEventListener(fallbackExecution = true)
    void on(EvidenceChanged changed) {
        kept.invalidateAll();
    }

    /** @param to null for up to now */
    @Transactional(readOnly = true)
    public Found of(Instant from, Instant to) {
        return kept.get(new Span(from, to), span -> look(span.from(), to == null ? clock.instant() : to));
    }

    double daysSince(Instant begin) {
        return Duration.between(begin, clock.instant()).toSeconds() / SECONDS_A_DAY;
    }

    private Found look(Instant from, Instant to) {
        Costs.Overview overview = costs.overview(from, to);
        ToldPrints.Prints told = prints.of(from, to);
        int all = overview.all().used().prints();
        int failed = all - overview.all().good();
        Double perFailure = failed == 0 ? null : Double.valueOf(overview.all().lost() / failed);
        double years = years(told.told(), to);
        List<PatternFinding> findings = new ArrayList<>();
        Set<Group> named = new HashSet<>();
        for (Pattern p : PatternSearch.of(told.told(), FALSE_DISCOVERY)) {
            findings.add(finding(p, told, years, perFailure));
            named.add(p.group());
            named.addAll(p.alike());
        }
        Map<String, List<Told>> machines = byMachine(told.told());
        machines.forEach((machine, of) -> Turn.of(of)
                .filter(t -> t.worse() && t.clearAmong(machines.size()))
                .ifPresent(t -> {
                    findings.add(turned(machine, t, told, to, perFailure));
                    named.add(new Group(Trait.MACHINE, machine));
                }));
        Running.among(told.told(), named, to)
                .forEach((group, r) -> findings.add(running(group, r, told, to, perFailure)));
        findings.sort(Comparator.comparing((PatternFinding f) -> -f.perYear().likely()));
        return new Found(
                all,
                overview.all().good(),
                perFailure,
                told.left(),
                List.copyOf(findings),
                overview.months(),
                machines(told.told()),
                told);
    }

    /** From the first print on: of the days before nobody knows how much was printed. */
    private static double years(List<Told> told, Instant to) {
        return told.isEmpty() ? 1 : years(told.get(0).at(), to);
    }

    private static double years(Instant from, Instant to) {
        return Math.max(1, Duration.between(from, to).toSeconds() / SECONDS_A_DAY) / DAYS_A_YEAR;
    }

    private static Map<String, List<Told>> byMachine(List<Told> told) {
        return told.stream().collect(Collectors.groupingBy(t -> t.traits().get(Trait.MACHINE)));
    }

    private static Map<Group, Counts> machines(List<Told> told) {
        return byMachine(told).entrySet().stream()
                .collect(Collectors.toMap(
                        e -> new Group(Trait.MACHINE, e.getKey()),
                        e -> new Counts(e.getValue().size(), (int)
                                e.getValue().stream().filter(Told::failed).count())));
    }

    private static PatternFinding.Money money(RateDifference more, int prints, double years, Double perFailure) {
        double each = perFailure == null ? 0 : perFailure * prints / years;
        return new PatternFinding.Money(more.difference() * each, more.low() * each, more.high() * each);
    }

    private static PatternFinding finding(Pattern p, ToldPrints.Prints told, double years, Double perFailure) {
        Wording words = new Wording(told);
        return new PatternFinding(
                p.group().trait() + ":" + p.group().value(),
                p.group().trait().name(),
                p.group(),
                told.name(p.group()),
                words.text(p),
                p.own(),
                p.rest(),
                money(p.more(), p.own().prints(), years, perFailure),
                null,
                p.p(),
                words.because(p),
                words.advice(p.group()));
    }

    private static PatternFinding running(
            Group group, Running r, ToldPrints.Prints told, Instant to, Double perFailure) {
        String name = told.name(group);
        Wording words = new Wording(told);
        boolean machine = group.trait() == Trait.MACHINE;
        double usual = r.chart().usual();
        SuccessRate fared = r.row().cameOut();
        RateDifference more =
                new RateDifference(1 - fared.share() - usual, 1 - fared.high() - usual, 1 - fared.low() - usual);
        double wolf = r.chart().runLength(usual);
        String text = (machine ? name + " fails" : words.subject(group) + " fail") + " more often just now: "
                + Wording.count(r.row()) + String.format(Locale.ROOT, ", usual is %.0f %%.", 100 * usual);
        return new PatternFinding(
                PatternFinding.running(group, r.since()),
                PatternFinding.RUNNING,
                group,
                name,
                text,
                r.row(),
                r.before(),
                money(more, r.row().prints(), years(r.since(), to), perFailure),
                r.since(),
                Math.min(1, r.row().prints() / wolf),
                List.of(Wording.reason(String.format(
                        Locale.ROOT,
                        "Watched print by print against a usual %.0f %%. By luck alone this chart goes over its "
                                + "limit once in about %,.0f prints.",
                        100 * usual,
                        wolf))),
                machine
                        ? new PatternFinding.Advice(
                                "Print its known good file, and look at what was done since the first of these prints.",
                                "Open " + name,
                                Wording.path("/machines/{c}", group.value()))
                        : words.advice(group));
    }

    private PatternFinding turned(String machine, Turn t, ToldPrints.Prints told, Instant to, Double perFailure) {
        Group group = new Group(Trait.MACHINE, machine);
        String name = told.name(group);
        String text = "Since " + times.day(t.firstAfter()) + " " + name + " fails more often: "
                + Wording.count(t.after()) + ", before " + Wording.count(t.before()) + ".";
        List<PatternFinding.Reason> because = new ArrayList<>();
        List<LogLine> before = standsBefore.of(machine, t);
        before.forEach(l -> because.add(new PatternFinding.Reason(
                times.day(l.happenedAt()) + ": " + l.headline(), "/logbook?machine=" + machine)));
        if (before.isEmpty()) {
            because.add(Wording.reason("Nothing that could have made it was entered in the days before."));
        }
        because.add(Wording.reason("By luck alone so clear a turn would come up " + Wording.chance(t.p())
                + "; resins were held apart. Where failures come in rows it says too much."));
        return new PatternFinding(
                PatternFinding.CHANGE + ":" + machine + ":" + t.firstAfter().getEpochSecond(),
                PatternFinding.CHANGE,
                group,
                name,
                text,
                t.after(),
                t.before(),
                money(t.more(), t.after().prints(), years(t.firstAfter(), to), perFailure),
                t.firstAfter(),
                t.p(),
                because,
                new PatternFinding.Advice(
                        before.isEmpty()
                                ? "Look at what was done or moved then, and print its known good file."
                                : "Look first at what was done then, and undo it if that can be done.",
                        "Open " + name,
                        Wording.path("/machines/{c}", machine)));
    }
}
