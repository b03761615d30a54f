package keel.app.stores;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.base.NotThere;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.ShopSettings;
import keel.app.standing.EveryPart;
import keel.app.standing.MachineNow;
import keel.app.standing.PartSpan;
import keel.app.standing.PartsReading;
import keel.app.standing.Standings;
import keel.core.cost.Prices;
import keel.core.cost.Prices.Used;
import keel.core.cost.PrintCost;
import keel.core.cost.SharedUse;
import keel.core.rate.SuccessRate;
import keel.core.run.Outcome;
import keel.core.standing.PartUse;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts prices to what runs used up. */
@Service
@Transactional(readOnly = true)
public class Costs {

    private static final Duration YEAR = Duration.ofDays(365);
    private static final String NO_MACHINE = "On no machine";

    private final Standings standings;
    private final ShopSettings settings;
    private final PricesPaid paid;
    private final CostRecords records;
    private final Bought bought;
    private final PartsReading reading;
    private final EveryPart parts;
    private final Clock clock;

    Costs(
            Standings standings,
            ShopSettings settings,
            PricesPaid paid,
            CostRecords records,
            Bought bought,
            PartsReading reading,
            EveryPart parts,
            Clock clock) {
        this.standings = standings;
        this.settings = settings;
        this.paid = paid;
        this.records = records;
        this.bought = bought;
        this.reading = reading;
        this.parts = parts;
        this.clock = clock;
    }

    /**
     * A run that has ended, with what it used; {@code resin} is a code, null where no profile says; {@code cause} of
     * its failure, null if none was named.
     */
    public record Run(
            long id,
            long machine,
            String machineName,
            String machineCode,
            String job,
            Instant at,
            Outcome outcome,
            Used used,
            String resin,
            String cause) {

        boolean good() {
            return outcome != null && outcome.cameOut();
        }
    }

    /**
     * Runs together.
     *
     * @param rate how often they came out; null where there are none
     * @param cost of all of them; its cost of a good print is that of all over how many came out
     * @param perGood money a good print, null if none came out
     * @param lost money in those that did not come out
     * @param unpaid what no print had paid, in the cost: the rest of films and screens that ended, below 0 where they
     *     outlived their usual lives
     * @param resinLost money in resin that was lost at clean-ups, in the cost too
     */
    public record Group(
            String name,
            String path,
            Used used,
            SuccessRate rate,
            PrintCost cost,
            Double perGood,
            double lost,
            double unpaid,
            double resinLost) {

        /** How many came out. */
        public int good() {
            return rate == null ? 0 : rate.good();
        }

        public double perAttempt() {
            return used.prints() == 0 ? 0 : (cost.perAttempt() - unpaid - resinLost) / used.prints();
        }
    }

    /**
     * All that the page shows of a span of days; {@code shared} is null where the stores do not say what a print takes
     * of them.
     *
     * @param bought what was spent in the same days, by line; a line is left out for which nothing was ever paid
     * @param boughtByMonth the same of each month's own days
     */
    public record Overview(
            Group all,
            List<Group> machines,
            List<Group> months,
            List<Group> jobs,
            List<Group> causes,
            SharedUse shared,
            Map<String, Double> bought,
            Map<String, Map<String, Double>> boughtByMonth) {}

    /** A film or screen that ended, with what of its price no print had paid; or resin that was lost. */
    private record Early(String line, Instant at, String machineName, double unpaid) {}

    /** Of the last days. */
    public Overview overview(int days) {
        Instant now = clock.instant();
        return overview(now.minus(Duration.ofDays(days)), now);
    }

    /** Of runs that began and parts that ended from one moment to another, this one left out. */
    public Overview overview(Instant from, Instant to) {
        Map<Long, MachineNow> machines =
                standings.all().stream().collect(Collectors.toMap(MachineNow::id, Function.identity()));
        PricesPaid.Paid prices = paid.now();
        List<Run> runs = runs(records.between(from, to), from);
        Map<Long, PrintCost> costs = costs(runs, machines, prices);
        List<Early> early = Stream.concat(
                        parts.ended(from, to).stream().map(e -> early(e, machines, prices)),
                        records.lost(from, to).stream().map(l -> lost(l, machines, prices)))
                .toList();
        List<Bought.Payment> payments = bought.payments();
        List<Group> months = grouped(runs, early, r -> month(r.at()), e -> month(e.at()), m -> null, costs);
        return new Overview(
                group("", null, runs, early, costs),
                grouped(runs, early, Run::machineName, Early::machineName, machinePaths(runs), costs),
                months,
                grouped(runs, List.of(), Run::job, null, j -> null, costs),
                grouped(
                                runs.stream().filter(r -> !r.good()).toList(),
                                List.of(),
                                r -> r.cause() == null ? "" : r.cause(),
                                null,
                                c -> null,
                                costs)
                        .stream()
                        .sorted(Comparator.comparing((Group g) -> -g.lost()))
                        .limit(10)
                        .toList(),
                prices.shared(),
                Bought.byLine(payments, at -> !at.isBefore(from) && at.isBefore(to)),
                months.stream()
                        .collect(Collectors.toMap(
                                Group::name,
                                m -> Bought.byLine(payments, at -> month(at).equals(m.name())))));
    }

    /** A machine's runs that began in a span and parts that ended in it, together and by month. */
    public record OfMachine(Group all, List<Group> months) {}

    /** The same figures as in the overview, of one machine. */
    public OfMachine ofMachine(MachineNow machine, Instant from, Instant to) {
        Map<Long, MachineNow> one = Map.of(machine.id(), machine);
        PricesPaid.Paid prices = paid.now();
        List<Run> runs = runs(records.ofMachine(machine.id(), from, to), from);
        Map<Long, PrintCost> costs = costs(runs, one, prices);
        List<Early> early = Stream.concat(
                        parts.ended(from, to).stream()
                                .filter(e -> Objects.equals(e.machine(), machine.id()))
                                .map(e -> early(e, one, prices)),
                        records.lost(from, to).stream()
                                .filter(l -> l.machine() == machine.id())
                                .map(l -> lost(l, one, prices)))
                .toList();
        return new OfMachine(
                group("", null, runs, early, costs),
                grouped(runs, early, r -> month(r.at()), e -> month(e.at()), m -> null, costs));
    }

    private String month(Instant at) {
        return YearMonth.from(at.atZone(settings.zone())).toString();
    }

    private static Function<String, String> machinePaths(List<Run> runs) {
        Map<String, String> paths = runs.stream()
                .collect(Collectors.toMap(Run::machineName, r -> "/machines/" + r.machineCode(), (a, b) -> a));
        return paths::get;
    }

    /** What each run cost, by the film and screen that were on its machine when it began. */
    private Map<Long, PrintCost> costs(List<Run> runs, Map<Long, MachineNow> machines, PricesPaid.Paid prices) {
        Map<Long, List<PartSpan>> films = reading.spans(ComponentKind.FILM);
        Map<Long, List<PartSpan>> screens = reading.spans(ComponentKind.SCREEN);
        Map<List<Object>, Prices> known = new HashMap<>();
        return runs.stream().collect(Collectors.toMap(Run::id, r -> {
            String film = on(films, r);
            String screen = on(screens, r);
            return known.computeIfAbsent(
                            Arrays.asList(r.machine(), r.resin(), film, screen),
                            k -> prices.of(machines.get(r.machine()), r.resin(), film, screen))
                    .of(r.used(), null);
        }));
    }

    private static String on(Map<Long, List<PartSpan>> spans, Run run) {
        return spans.getOrDefault(run.machine(), List.of()).stream()
                .filter(s -> !s.from().isAfter(run.at()) && (s.to() == null || s.to().isAfter(run.at())))
                .map(PartSpan::code)
                .findFirst()
                .orElse(null);
    }

    private Early early(EveryPart.Ended part, Map<Long, MachineNow> machines, PricesPaid.Paid prices) {
        MachineNow machine = part.machine() == null ? null : machines.get(part.machine());
        return new Early(
                part.kind() == PartUse.UsedPart.SCREEN ? CostLines.SCREEN : CostLines.FILM,
                part.at(),
                machine == null ? NO_MACHINE : machine.name(),
                prices.unpaid(part, machine));
    }

    private static Early lost(CostRecords.Lost lost, Map<Long, MachineNow> machines, PricesPaid.Paid prices) {
        MachineNow machine = machines.get(lost.machine());
        return new Early(
                CostLines.LOST,
                lost.at(),
                machine == null ? NO_MACHINE : machine.name(),
                prices.of(machine, lost.resin()).resinPerLitre() * lost.ml() / 1000);
    }

    /** A run with what it cost. */
    public record Cost(Run run, PrintCost cost) {}

    /** Runs that began in a span and did not come out, each with what it cost, the oldest first. */
    public List<Cost> failed(Instant from, Instant to) {
        Map<Long, MachineNow> machines =
                standings.all().stream().collect(Collectors.toMap(MachineNow::id, Function.identity()));
        List<Run> runs = runs(records.between(from, to), from).stream()
                .filter(r -> !r.good())
                .toList();
        Map<Long, PrintCost> costs = costs(runs, machines, paid.now());
        return runs.stream().map(r -> new Cost(r, costs.get(r.id()))).toList();
    }

    /** @throws NotThere if there is no such run, or it is going on */
    public Map.Entry<Run, PrintCost> ofRun(long id) {
        List<CostRecords.Ran> ran = records.one(id).stream().toList();
        Run run = runs(ran, Instant.EPOCH).stream()
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no run " + id + " that has ended."));
        MachineNow machine = standings.of(run.machineCode());
        return Map.entry(
                run,
                costs(List.of(run), Map.of(machine.id(), machine), paid.now()).get(run.id()));
    }

    /** Prices for a machine; resin null for the shop's usual price. */
    public Prices prices(String machine, String resin) {
        return paid.now().of(standings.of(machine), resin);
    }

    /** How often a machine's prints came out over the last year; empty where it printed nothing. */
    public Optional<SuccessRate> rate(String machine) {
        CostRecords.Fared fared = records.fared(machine, clock.instant().minus(YEAR));
        return rate((int) fared.cameOut(), (int) fared.prints());
    }

    private static Optional<SuccessRate> rate(int good, int runs) {
        return runs == 0 ? Optional.empty() : Optional.of(SuccessRate.of(good, runs));
    }

    private List<Run> runs(List<CostRecords.Ran> ran, Instant from) {
        Map<Long, CostRecords.Machine> machines =
                records.machines().stream().collect(Collectors.toMap(CostRecords.Machine::id, Function.identity()));
        Map<Long, String> resins = records.resins().stream()
                .collect(Collectors.toMap(CostRecords.ResinOf::version, CostRecords.ResinOf::resin));
        Map<Long, String> causes = records.causes(from).stream()
                .collect(Collectors.toMap(CostRecords.Cause::run, CostRecords.Cause::cause));
        return ran.stream()
                .map(r -> new Run(
                        r.id(),
                        r.machine(),
                        machines.get(r.machine()).name(),
                        machines.get(r.machine()).code(),
                        r.job(),
                        r.startedAt(),
                        r.outcome(),
                        new Used(r.hours(), r.uvHours(), r.usedMl(), 1),
                        resins.get(r.profileVersion()),
                        causes.get(r.id())))
                .toList();
    }

    private static List<Group> grouped(
            List<Run> runs,
            List<Early> early,
            Function<Run, String> by,
            Function<Early, String> endedBy,
            Function<String, String> path,
            Map<Long, PrintCost> costs) {
        Map<String, List<Run>> ran = runs.stream().collect(Collectors.groupingBy(by));
        Map<String, List<Early>> ended = early.stream().collect(Collectors.groupingBy(endedBy));
        return Stream.concat(ran.keySet().stream(), ended.keySet().stream())
                .distinct()
                .sorted()
                .map(name -> group(
                        name,
                        path.apply(name),
                        ran.getOrDefault(name, List.of()),
                        ended.getOrDefault(name, List.of()),
                        costs))
                .toList();
    }

    private static double unpaid(List<Early> early, Predicate<String> line) {
        return early.stream()
                .filter(e -> line.test(e.line()))
                .mapToDouble(Early::unpaid)
                .sum();
    }

    private static Group group(
            String name, String path, List<Run> runs, List<Early> early, Map<Long, PrintCost> costs) {
        Used used = runs.stream().map(Run::used).reduce(new Used(0, 0, 0, 0), Used::plus);
        Map<String, Double> lines = new LinkedHashMap<>();
        CostLines.ALL.forEach(line -> lines.put(line, 0.0));
        double lost = 0;
        int good = 0;
        for (Run r : runs) {
            PrintCost cost = costs.get(r.id());
            cost.lines().forEach(l -> lines.merge(l.name(), l.amount(), Double::sum));
            good += r.good() ? 1 : 0;
            lost += r.good() ? 0 : cost.perAttempt();
        }
        early.forEach(e -> lines.merge(e.line(), e.unpaid(), Double::sum));
        List<PrintCost.CostLine> sums = new ArrayList<>();
        lines.forEach((line, amount) -> sums.add(new PrintCost.CostLine(line, amount)));
        double all = sums.stream().mapToDouble(PrintCost.CostLine::amount).sum();
        return new Group(
                name,
                path,
                used,
                rate(good, runs.size()).orElse(null),
                new PrintCost(sums, all, good == 0 ? all : all / good),
                good == 0 ? null : Double.valueOf(all / good),
                lost,
                unpaid(early, line -> !line.equals(CostLines.LOST)),
                unpaid(early, CostLines.LOST::equals));
    }
}
