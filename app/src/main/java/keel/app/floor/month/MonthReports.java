package keel.app.floor.month;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.Figures;
import keel.app.fleet.ShopSettings;
import keel.app.floor.patterns.PatternVerdicts;
import keel.app.floor.patterns.Patterns;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.app.prints.Printed;
import keel.app.prints.Runs;
import keel.app.stores.Buying;
import keel.app.stores.Costs;
import keel.core.knowledge.Cause;
import keel.core.knowledge.Knowledge;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts a month together from what the costs, the logbook, the patterns and the buying list say already. */
@Service
@Transactional(readOnly = true)
public class MonthReports {

    private static final Figures FIG = new Figures();
    private static final ObjectMapper JSON = new ObjectMapper();
    private static final int CHANGES = 40;
    private static final int CAUSES = 6;
    private static final int FINDINGS = 4;
    private static final int TO_BUY = 6;
    /** As the page of patterns looks back, so that both say the same. */
    private static final int LOOKED_BACK_DAYS = 365;

    private static final List<LogKind> OF_WEIGHT =
            List.of(LogKind.SERVICE, LogKind.PROFILE_CHANGED, LogKind.PART_ENDED, LogKind.INCIDENT, LogKind.SET_UP);
    private static final Set<String> PARTS_AND_MOVES = Set.of(
            "FILM_CHANGE",
            "TANK_CHANGE",
            "SCREEN_CHANGE",
            "LIGHT_CHANGE",
            "COMMISSIONED",
            "MOVED",
            "PLATE_DROPPED",
            "FIRMWARE",
            "KEPT_IN_USE");

    private final ShopSettings settings;
    private final Costs costs;
    private final Runs runs;
    private final Logbook logbook;
    private final Patterns patterns;
    private final PatternVerdicts verdicts;
    private final Buying buying;
    private final Knowledge knowledge;
    private final Clock clock;

    MonthReports(
            ShopSettings settings,
            Costs costs,
            Runs runs,
            Logbook logbook,
            Patterns patterns,
            PatternVerdicts verdicts,
            Buying buying,
            Knowledge knowledge,
            Clock clock) {
        this.settings = settings;
        this.costs = costs;
        this.runs = runs;
        this.logbook = logbook;
        this.patterns = patterns;
        this.verdicts = verdicts;
        this.buying = buying;
        this.knowledge = knowledge;
        this.clock = clock;
    }

    /** The month that is going on. */
    public YearMonth current() {
        return YearMonth.from(clock.instant().atZone(settings.zone()));
    }

    /** Of a month; of one that lies ahead nothing is known and all is nothing. */
    public MonthReport of(YearMonth month) {
        Instant from = begin(month);
        Instant to = begin(month.plusMonths(1));
        Costs.Overview overview = costs.overview(from, to);
        MonthReport.Numbers now = numbers(overview);
        MonthReport.Numbers before = numbers(costs.overview(begin(month.minusMonths(1)), from));
        List<MonthReport.Cause> causes = causes(overview);
        List<MonthReport.Change> changes = changes(from, to);
        return new MonthReport(
                settings.name(),
                month,
                month.isBefore(current()),
                now,
                before,
                MonthWords.of(month, now, before, causes),
                days(month, from, to),
                machines(overview),
                causes,
                money(overview),
                changes.stream().limit(CHANGES).toList(),
                Math.max(0, changes.size() - CHANGES),
                month.equals(current()) || month.equals(current().minusMonths(1)) ? decide() : null);
    }

    private Instant begin(YearMonth month) {
        return month.atDay(1).atStartOfDay(settings.zone()).toInstant();
    }

    private static MonthReport.Numbers numbers(Costs.Overview o) {
        Costs.Group all = o.all();
        return new MonthReport.Numbers(
                all.used().prints(),
                all.good(),
                all.used().hours(),
                all.cost().perAttempt(),
                all.lost(),
                all.perGood());
    }

    private List<MonthReport.Day> days(YearMonth month, Instant from, Instant to) {
        ZoneId zone = settings.zone();
        Map<LocalDate, List<Printed>> byDay = runs.printed(from, to).stream()
                .collect(Collectors.groupingBy(p -> LocalDate.ofInstant(p.startedAt(), zone)));
        LocalDate today = LocalDate.ofInstant(clock.instant(), zone);
        return month.atDay(1)
                .datesUntil(month.plusMonths(1).atDay(1))
                .filter(d -> !d.isAfter(today))
                .map(d -> {
                    List<Printed> of = byDay.getOrDefault(d, List.of());
                    int failed = (int) of.stream().filter(Printed::bad).count();
                    return new MonthReport.Day(d.getDayOfMonth(), of.size() - failed, failed);
                })
                .toList();
    }

    private static List<MonthReport.Machine> machines(Costs.Overview o) {
        return o.machines().stream()
                .filter(g -> g.used().prints() > 0)
                .map(g -> new MonthReport.Machine(
                        g.name(),
                        g.path(),
                        g.used().prints(),
                        g.good(),
                        g.used().hours(),
                        g.lost()))
                .sorted(Comparator.comparing(MonthReport.Machine::prints).reversed())
                .toList();
    }

    private List<MonthReport.Cause> causes(Costs.Overview o) {
        return o.causes().stream()
                .limit(CAUSES)
                .map(g -> new MonthReport.Cause(
                        g.name().isEmpty()
                                ? "cause not named"
                                : knowledge.cause(g.name()).map(Cause::name).orElse(g.name()),
                        g.used().prints(),
                        g.lost()))
                .toList();
    }

    private static List<MonthReport.Line> money(Costs.Overview o) {
        return o.all().cost().lines().stream()
                .map(l -> new MonthReport.Line(l.name(), l.amount(), o.bought().get(l.name())))
                .toList();
    }

    /** What is not everyday work: parts changed, machines moved, settings, accidents. The earliest first. */
    private List<MonthReport.Change> changes(Instant from, Instant to) {
        List<LogLine> lines = new ArrayList<>();
        for (LogKind kind : OF_WEIGHT) {
            lines.addAll(logbook.lines(new LogFilter(null, null, kind, from, to, null, null, 0, 500)));
        }
        return lines.stream()
                .filter(l -> !l.superseded())
                .filter(l -> l.kind() != LogKind.SERVICE || PARTS_AND_MOVES.contains(service(l)))
                .sorted(Comparator.comparing(LogLine::happenedAt))
                .map(l -> new MonthReport.Change(l.happenedAt(), text(l)))
                .toList();
    }

    private static String text(LogLine line) {
        String name = line.machineName();
        return name == null || line.headline().contains(name) ? line.headline() : name + ": " + line.headline();
    }

    private static String service(LogLine line) {
        try {
            return JSON.readTree(line.content() == null ? "{}" : line.content())
                    .path("kind")
                    .asText();
        } catch (JsonProcessingException e) {
            return "";
        }
    }

    /** What stands out and nobody has settled, and what would have to be bought. */
    private List<MonthReport.Decision> decide() {
        Instant back = clock.instant()
                .atZone(settings.zone())
                .truncatedTo(ChronoUnit.DAYS)
                .minusDays(LOOKED_BACK_DAYS)
                .toInstant();
        Map<String, PatternVerdicts.Said> said = verdicts.last();
        Stream<MonthReport.Decision> found = patterns.of(back, null).findings().stream()
                .filter(f -> said.get(f.key()) == null || !said.get(f.key()).closes())
                .limit(FINDINGS)
                .map(f -> new MonthReport.Decision(
                        f.text() + " " + f.advice().text(),
                        f.advice().label(),
                        f.advice().path()));
        Stream<MonthReport.Decision> buy = buying.lines().stream()
                .filter(l -> l.quantity() > 0)
                .limit(TO_BUY)
                .map(l -> new MonthReport.Decision(
                        "Buy " + FIG.counted(l.quantity(), l.item().unit()) + " of "
                                + l.item().name() + ". " + l.why(),
                        "Buying",
                        "/stores/buying"));
        return Stream.concat(found, buy).toList();
    }
}
