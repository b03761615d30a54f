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
     * @param bestDay days from today on which it would be done by itself
     * @param day days from today on which it is done in a sitting
     */
    record Upkeep(String id, MachineNow machine, ServiceKind task, String why, double minutes, int bestDay, int day) {

        private Upkeep on(int other) {
            return new Upkeep(id, machine, task, why, minutes, bestDay, other);
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
        return task == ServiceKind.FILM_CHANGE
                || task == ServiceKind.TANK_CHANGE
                || task == ServiceKind.SCREEN_CHANGE
                || task == ServiceKind.LIGHT_CHANGE
                || task == ServiceKind.PLATE_WORK
                || task == ServiceKind.LUBRICATION;
    }

    private static Upkeep alone(MachineNow m, Concern c, Map<ServiceKind, Double> minutes, Defaults defaults) {
        return new Upkeep(
                m.code() + ":" + c.task(),
                m,
                c.task(),
                c.text(),
                minutes.getOrDefault(c.task(), (double) ChoreKind.PART_CHANGE.minutes()),
                c.level() == MachineState.DUE ? 0 : bestDay(m, c, defaults),
                0);
    }

    /** The first day on which its chance to fail in a typical job is what counts as due. */
    private static int bestDay(MachineNow m, Concern c, Defaults defaults) {
        PartUse use = part(m, c);
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
        Visits visits =
                Visits.of(visit, alone.stream().map(u -> penalties(u, defaults)).toList());
        Map<String, Upkeep> byId = alone.stream().collect(Collectors.toMap(Upkeep::id, Function.identity()));
        List<Upkeep> all = new ArrayList<>();
        visits.visits().forEach(v -> v.ids().forEach(id -> all.add(byId.get(id).on(v.day()))));
        return all;
    }

    /** Early throws away what a day of its life is worth; late risks a print each hour. */
    private static Visits.Task penalties(Upkeep u, Defaults defaults) {
        PartUse use = u.machine().worn().stream()
                .filter(w -> changes(u.task(), w.part()))
                .findFirst()
                .orElse(null);
        double perDay = u.machine().hoursPerDay();
        WaitCosts costs = new WaitCosts(defaults);
        if (use == null) {
            return new Visits.Task(u.id(), u.bestDay(), 0.2, DAY_HOURS * costs.upkeep(perDay));
        }
        double life = use.life().typicalHours();
        return new Visits.Task(
                u.id(),
                u.bestDay(),
                ChangeCosts.of(defaults, use.part()).plannedCost() * perDay / life,
                DAY_HOURS * costs.part(use, perDay, u.machine().uvShare()));
    }

    private static boolean changes(ServiceKind task, PartUse.UsedPart part) {
        return switch (part) {
            case FILM -> task == ServiceKind.FILM_CHANGE;
            case TANK -> task == ServiceKind.TANK_CHANGE;
            case SCREEN -> task == ServiceKind.SCREEN_CHANGE;
            default -> task == ServiceKind.LIGHT_CHANGE;
        };
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
