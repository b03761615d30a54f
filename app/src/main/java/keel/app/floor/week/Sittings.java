package keel.app.floor.week;

import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
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

    Sittings(Guidebook guidebook, ShopSettings settings) {
        this.guidebook = guidebook;
        this.settings = settings;
    }

    /**
     * Work at a machine that is best done on a day.
     *
     * @param use the part that it is about; null where it is about none
     * @param due whether it is due already: then it is not put off for a sitting
     * @param bestDay days from today on which it would be done by itself
     * @param day days from today on which it is done in a sitting
     */
    record Upkeep(
            String id,
            MachineNow machine,
            PartUse use,
            ServiceKind task,
            String why,
            double minutes,
            boolean due,
            int bestDay,
            int day) {

        private Upkeep on(int other) {
            return new Upkeep(id, machine, use, task, why, minutes, due, bestDay, other);
        }
    }

    /** The soonest first. */
    List<Upkeep> of(List<MachineNow> machines) {
        Defaults defaults = settings.defaults();
        Map<ServiceKind, Double> minutes = guidebook.pace().expected();
        List<Upkeep> alone = machines.stream()
                .filter(m -> m.standing().state() != MachineState.OFF)
                .flatMap(m -> m.standing().concerns().stream()
                        .filter(c -> c.task() != null && takesAVisit(c.task()))
                        .map(c -> alone(m, c, minutes, defaults)))
                .collect(
                        Collectors.toMap(Upkeep::id, Function.identity(), (a, b) -> a.bestDay() <= b.bestDay() ? a : b))
                .values()
                .stream()
                .filter(u -> u.bestDay() < AHEAD_DAYS)
                .sorted(Comparator.comparing(Upkeep::id))
                .toList();
        return grouped(alone, defaults);
    }

    private static boolean takesAVisit(ServiceKind task) {
        return task.takesPart().isPresent() || task == ServiceKind.PLATE_WORK || task == ServiceKind.LUBRICATION;
    }

    private static Upkeep alone(MachineNow m, Concern c, Map<ServiceKind, Double> minutes, Defaults defaults) {
        PartUse use = part(m, c);
        boolean due = c.level() == MachineState.DUE;
        return new Upkeep(
                m.code() + ":" + c.task(),
                m,
                use,
                c.task(),
                c.text(),
                minutes.getOrDefault(c.task(), (double) ChoreKind.PART_CHANGE.minutes()),
                due,
                due ? 0 : bestDay(m, use, defaults),
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

    private List<Upkeep> grouped(List<Upkeep> alone, Defaults defaults) {
        double visit = PlanningFigures.visitMinutes() / 60 * defaults.value("labour.perHour");
        Visits visits = Visits.of(
                visit, alone.stream().map(u -> penalties(u, visit, defaults)).toList());
        Map<String, Upkeep> byId = alone.stream().collect(Collectors.toMap(Upkeep::id, Function.identity()));
        List<Upkeep> all = new ArrayList<>();
        visits.visits().forEach(v -> v.ids().forEach(id -> all.add(byId.get(id).on(v.day()))));
        return all;
    }

    /**
     * Early throws away what a day of its life is worth; late risks a print each hour. The round asks for what is due
     * today, so putting it off never saves as much as a visit.
     */
    private static Visits.Task penalties(Upkeep u, double visit, Defaults defaults) {
        double perDay = u.machine().hoursPerDay();
        WaitCosts costs = new WaitCosts(defaults);
        double early = u.use() == null
                ? PlanningFigures.upkeepEarly()
                : ChangeCosts.of(defaults, u.use().part()).plannedCost()
                        * perDay
                        / u.use().life().typicalHours();
        double perHour = u.use() == null
                ? costs.upkeep(perDay)
                : costs.part(u.use(), perDay, u.machine().uvShare());
        double late = u.due() ? Math.max(2 * visit, DAY_HOURS * perHour) : DAY_HOURS * perHour;
        return new Visits.Task(u.id(), u.bestDay(), early, late);
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
                        List.of(new Wanted.Place(u.machine().code(), 0, 1)),
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
