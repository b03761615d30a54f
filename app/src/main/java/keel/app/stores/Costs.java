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
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.base.NotThere;
import keel.app.fleet.ShopSettings;
import keel.app.standing.MachineNow;
import keel.app.standing.Standings;
import keel.core.cost.Prices;
import keel.core.cost.Prices.Used;
import keel.core.cost.PrintCost;
import keel.core.cost.SharedUse;
import keel.core.rate.SuccessRate;
import keel.core.run.Outcome;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Puts prices to what runs used up. */
@Service
@Transactional(readOnly = true)
public class Costs {

    private static final Duration YEAR = Duration.ofDays(365);

    private final Standings standings;
    private final ShopSettings settings;
    private final PricesPaid paid;
    private final CostRecords records;
    private final Clock clock;

    Costs(Standings standings, ShopSettings settings, PricesPaid paid, CostRecords records, Clock clock) {
        this.standings = standings;
        this.settings = settings;
        this.paid = paid;
        this.records = records;
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
     */
    public record Group(
            String name, String path, Used used, SuccessRate rate, PrintCost cost, Double perGood, double lost) {

        /** How many came out. */
        public int good() {
            return rate == null ? 0 : rate.good();
        }

        public double perAttempt() {
            return used.prints() == 0 ? 0 : cost.perAttempt() / used.prints();
        }
    }

    /**
     * All that the page shows of a span of days; {@code shared} is null where the stores do not say what a print takes
     * of them.
     */
    public record Overview(
            Group all,
            List<Group> machines,
            List<Group> months,
            List<Group> jobs,
            List<Group> causes,
            SharedUse shared) {}

    public Overview overview(int days) {
        Instant from = clock.instant().minus(Duration.ofDays(days));
        List<Run> runs = runs(records.since(from), from);
        Map<Long, MachineNow> machines =
                standings.all().stream().collect(Collectors.toMap(MachineNow::id, Function.identity()));
        PricesPaid.Paid now = paid.now();
        Map<List<Object>, Prices> prices = new HashMap<>();
        Function<Run, PrintCost> cost = r -> prices.computeIfAbsent(
                        Arrays.asList(r.machine(), r.resin()), k -> now.of(machines.get(r.machine()), r.resin()))
                .of(r.used(), null);
        Map<Long, PrintCost> costs = runs.stream().collect(Collectors.toMap(Run::id, cost));
        List<Group> jobs = grouped(runs, Run::job, j -> null, costs).stream()
                .sorted(Comparator.comparing((Group g) -> -g.cost().perAttempt()))
                .limit(15)
                .toList();
        List<Group> causes = grouped(
                        runs.stream().filter(r -> !r.good()).toList(),
                        r -> r.cause() == null ? "" : r.cause(),
                        c -> null,
                        costs)
                .stream()
                .sorted(Comparator.comparing((Group g) -> -g.lost()))
                .limit(10)
                .toList();
        return new Overview(
                group("", null, runs, costs),
                grouped(
                        runs,
                        Run::machineName,
                        m -> runs.stream()
                                .filter(r -> r.machineName().equals(m))
                                .findFirst()
                                .map(r -> "/machines/" + r.machineCode())
                                .orElse(null),
                        costs),
                grouped(
                        runs,
                        r -> YearMonth.from(r.at().atZone(settings.zone())).toString(),
                        m -> null,
                        costs),
                jobs,
                causes,
                now.shared());
    }

    /** @throws NotThere if there is no such run, or it is going on */
    public Map.Entry<Run, PrintCost> ofRun(long id) {
        List<CostRecords.Ran> ran = records.one(id).stream().toList();
        Run run = runs(ran, Instant.EPOCH).stream()
                .findFirst()
                .orElseThrow(() -> new NotThere("There is no run " + id + " that has ended."));
        return Map.entry(
                run, paid.now().of(standings.of(run.machineCode()), run.resin()).of(run.used(), null));
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
            List<Run> runs, Function<Run, String> by, Function<String, String> path, Map<Long, PrintCost> costs) {
        return runs.stream().collect(Collectors.groupingBy(by, TreeMap::new, Collectors.toList())).entrySet().stream()
                .map(e -> group(e.getKey(), path.apply(e.getKey()), e.getValue(), costs))
                .toList();
    }

    private static Group group(String name, String path, List<Run> runs, Map<Long, PrintCost> costs) {
        Used used = runs.stream().map(Run::used).reduce(new Used(0, 0, 0, 0), Used::plus);
        Map<String, Double> lines = new LinkedHashMap<>();
        double lost = 0;
        int good = 0;
        for (Run r : runs) {
            PrintCost cost = costs.get(r.id());
            cost.lines().forEach(l -> lines.merge(l.name(), l.amount(), Double::sum));
            good += r.good() ? 1 : 0;
            lost += r.good() ? 0 : cost.perAttempt();
        }
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
                lost);
    }
}
