package keel.app.floor.week;

import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import keel.app.fleet.ShopSettings;
import keel.app.guides.Guidebook;
import keel.app.standing.MachineNow;
import keel.core.plan.Visits;
import keel.core.round.ChoreKind;
import keel.core.round.WaitCosts;
import keel.core.standing.ChangeCosts;
import keel.core.standing.Concern;
import keel.core.standing.Defaults;
import keel.core.standing.MachineState;
import keel.core.standing.PartUse;
import keel.core.standing.ServiceKind;
import keel.core.week.PlanningFigures;
import keel.core.week.Wanted;
import org.springframework.stereotype.Component;

/** Upkeep that is due in the days ahead, put together into sittings: a visit's cost against too early and too late. */
@Component
class Sittings {

    private static final int AHEAD_DAYS = PlanningFigures.days();
    private static final double DAY_HOURS = 24;

    private final Guidebook guidebook;
    private final ShopSettings settings;
    private final BathsAhead bench;

    Sittings(Guidebook guidebook, ShopSettings settings, BathsAhead bench) {
        this.bench = bench;
        this.guidebook = guidebook;
        this.settings = settings;
    }

    /**
     * Work that is best done on a day.
     *
     * @param stand where: a machine's code, or the bench
     * @param due whether it is due already: then it is not put off for a sitting
     * @param wish its best day from today, and what a day too early or too late costs
     * @param day days from today on which it is done in a sitting
     */
    record Upkeep(
            String id, String stand, WeekPlanned.Upkeep told, double minutes, boolean due, Visits.Task wish, int day) {

        private Upkeep on(int other) {
            boolean early = other < wish.bestDay();
            WeekPlanned.Upkeep said = new WeekPlanned.Upkeep(told.what(), told.task(), told.path(), told.why(), early);
            return new Upkeep(id, stand, said, minutes, due, wish, other);
        }
    }

    /** What a visit costs, and what time costs. */
    private record Rates(Defaults defaults, Map<ServiceKind, Double> minutes, double visit) {}

    /** At these machines, and at the bench where {@code baths} is said; the soonest first. */
    List<Upkeep> of(List<MachineNow> machines, boolean baths) {
        Defaults defaults = settings.defaults();
        double visit = PlanningFigures.visitMinutes() / 60 * defaults.value("labour.perHour");
        Rates rates = new Rates(defaults, guidebook.pace().expected(), visit);
        Stream<Upkeep> atMachines = machines.stream()
                .filter(m -> m.standing().state() != MachineState.OFF)
                .flatMap(m -> m.standing().concerns().stream()
                        .filter(c -> c.task() != null && takesAVisit(c.task()))
                        .map(c -> alone(m, c, rates)));
        Stream<Upkeep> all = Stream.concat(atMachines, baths ? bench.upkeep(visit) : Stream.empty());
        List<Upkeep> alone = all
                .collect(Collectors.toMap(
                        Upkeep::id,
                        Function.identity(),
                        (a, b) -> a.wish().bestDay() <= b.wish().bestDay() ? a : b))
                .values()
                .stream()
                .filter(u -> u.wish().bestDay() < AHEAD_DAYS)
                .sorted(Comparator.comparing(Upkeep::id))
                .toList();
        return grouped(alone, visit);
    }

    private static boolean takesAVisit(ServiceKind task) {
        return task.takesPart().isPresent() || task == ServiceKind.PLATE_WORK || task == ServiceKind.LUBRICATION;
    }

    private static Upkeep alone(MachineNow m, Concern c, Rates rates) {
        PartUse use = part(m, c);
        boolean due = c.level() == MachineState.DUE;
        String id = m.code() + ":" + c.task();
        int best = due ? 0 : bestDay(m, use, rates.defaults());
        return new Upkeep(
                id,
                m.code(),
                new WeekPlanned.Upkeep(
                        c.task().task(), c.task(), "/machines/" + m.code() + "/do/" + c.task(), c.text(), false),
                rates.minutes().getOrDefault(c.task(), (double) ChoreKind.PART_CHANGE.minutes()),
                due,
                wish(id, m, use, due, best, rates),
                0);
    }

    /** The first day on which its chance to fail in a typical job is what counts as due. */
    private static int bestDay(MachineNow m, PartUse use, Defaults defaults) {
        if (use == null || m.hoursPerDay() <= 0) {
            return AHEAD_DAYS / 2;
        }
        double job = defaults.value("job.typicalHours");
        for (int day = 0; day < AHEAD_DAYS; day++) {
            double before = use.failsWithin(day * m.hoursPerDay() + 1e-9, m.uvShare());
            double after = use.failsWithin(day * m.hoursPerDay() + job, m.uvShare());
            if (before < 1 && (after - before) / (1 - before) >= defaults.value("due.failureChance")) {
                return day;
            }
        }
        return AHEAD_DAYS;
    }

    private static PartUse part(MachineNow m, Concern c) {
        return m.worn().stream()
                .filter(u -> u.part().prefix().equals(c.about()))
                .findFirst()
                .orElse(null);
    }

    private static List<Upkeep> grouped(List<Upkeep> alone, double visit) {
        Visits visits = Visits.of(visit, alone.stream().map(Upkeep::wish).toList());
        Map<String, Upkeep> byId = alone.stream().collect(Collectors.toMap(Upkeep::id, Function.identity()));
        List<Upkeep> all = new ArrayList<>();
        visits.visits().forEach(v -> v.ids().forEach(id -> all.add(byId.get(id).on(v.day()))));
        return all;
    }

    /**
     * Early throws away what a day of its life is worth; late risks a print each hour. The round asks for what is due
     * today, so putting it off never saves as much as a visit.
     */
    private static Visits.Task wish(String id, MachineNow m, PartUse use, boolean due, int best, Rates rates) {
        double perDay = m.hoursPerDay();
        WaitCosts costs = new WaitCosts(rates.defaults());
        double early = use == null
                ? PlanningFigures.upkeepEarly()
                : ChangeCosts.of(rates.defaults(), use.part()).plannedCost()
                        * perDay
                        / use.life().typicalHours();
        double perHour = use == null ? costs.upkeep(perDay) : costs.part(use, perDay, m.uvShare());
        double late = DAY_HOURS * perHour;
        return new Visits.Task(id, best, early, due ? Math.max(2 * rates.visit(), late) : late);
    }

    /** The same as jobs of the plan: they take the machine and somebody's hands on their day. */
    List<Wanted> wanted(List<Upkeep> upkeep, Instant at) {
        return upkeep.stream()
                .map(u -> new Wanted(
                        WeekPlanned.UPKEEP + u.id(),
                        null,
                        u.day() == 0 ? null : morning(at, u.day()),
                        morning(at, u.day() + 1),
                        u.minutes(),
                        List.of(new Wanted.Place(u.stand(), 0, 1)),
                        null))
                .toList();
    }

    private Instant morning(Instant at, int days) {
        return at.atZone(settings.zone())
                .toLocalDate()
                .plusDays(days)
                .atTime(LocalTime.MIDNIGHT)
                .atZone(settings.zone())
                .toInstant();
    }
}
