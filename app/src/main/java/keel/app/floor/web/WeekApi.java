package keel.app.floor.web;

import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import keel.app.fleet.ShopSettings;
import keel.app.floor.week.Reasons;
import keel.app.floor.week.SittingParts;
import keel.app.floor.week.WeekPlanned;
import keel.app.floor.week.Weeks;
import keel.app.prints.WantedView;
import keel.core.standing.ServiceKind;
import keel.core.week.PlanningFigures;
import keel.core.week.WeekPlan;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The week for programs. */
@RestController
@RequestMapping("/api/v1/week")
class WeekApi {

    private final Weeks weeks;
    private final Reasons reasons;
    private final SittingParts parts;
    private final ShopSettings settings;

    WeekApi(Weeks weeks, Reasons reasons, SittingParts parts, ShopSettings settings) {
        this.weeks = weeks;
        this.parts = parts;
        this.reasons = reasons;
        this.settings = settings;
    }

    /** A job on a machine; {@code seenAt} when somebody is there after its end, null where nobody is in these days. */
    record PlannedJob(
            long id,
            String job,
            String machine,
            String person,
            Instant startAt,
            Instant printsFrom,
            Instant endAt,
            Instant seenAt,
            double success,
            boolean fixed,
            boolean late,
            String why) {}

    /** Upkeep; {@code kind} and {@code machine} null at the bench, {@code buy} what lacks and {@code meanwhile}
     * what is put in for so long, null where nothing is. */
    record Task(
            String task,
            ServiceKind kind,
            String machine,
            String person,
            Instant startAt,
            Instant endAt,
            String why,
            String buy,
            String meanwhile) {}

    record Day(LocalDate date, List<PlannedJob> jobs, List<Task> tasks) {}

    record NotPlanned(long id, String job, WeekPlan.Gives gives, Instant soonest, String why) {}

    record Moved(long id, String job, String fromMachine, Instant fromAt, String toMachine, Instant toAt) {}

    record Answer(
            Instant at,
            List<Day> days,
            List<NotPlanned> notThisWeek,
            List<Moved> moved,
            double goodHours,
            List<String> assumed) {}

    @GetMapping
    Answer week() {
        WeekPlanned week = weeks.now();
        SittingParts.Said said = parts.of(week);
        Map<LocalDate, Day> days = new TreeMap<>();
        LocalDate today = day(week.plan().at());
        for (int i = 0; i < PlanningFigures.days(); i++) {
            days.put(today.plusDays(i), new Day(today.plusDays(i), new ArrayList<>(), new ArrayList<>()));
        }
        for (WeekPlan.Slot s : week.plan().slots()) {
            Day day = days.computeIfAbsent(day(s.startAt()), d -> new Day(d, new ArrayList<>(), new ArrayList<>()));
            week.job(s.id()).ifPresentOrElse(j -> day.jobs().add(job(j, s)), () -> day.tasks()
                    .add(task(week.upkeep().get(s.id()), s, said)));
        }
        return new Answer(
                week.plan().at(),
                List.copyOf(days.values()),
                week.plan().left().stream()
                        .flatMap(l -> week
                                .job(l.id())
                                .map(j -> new NotPlanned(
                                        j.id(), j.name(), l.gives(), l.soonest(), reasons.of(l, j, week)))
                                .stream())
                        .toList(),
                week.moved().stream()
                        .map(m -> new Moved(m.job(), m.name(), m.machine(), m.at(), m.toMachine(), m.to()))
                        .toList(),
                week.plan().goodHours(),
                week.assumed());
    }

    private LocalDate day(Instant at) {
        return at.atZone(settings.zone()).toLocalDate();
    }

    private PlannedJob job(WantedView j, WeekPlan.Slot s) {
        return new PlannedJob(
                j.id(),
                j.name(),
                s.machine(),
                s.person(),
                s.startAt(),
                s.printsFrom(),
                s.endAt(),
                s.seenAt(),
                s.success(),
                s.why().contains(WeekPlan.Why.FIXED),
                s.why().contains(WeekPlan.Why.LATE),
                reasons.line(s));
    }

    private static Task task(WeekPlanned.Upkeep u, WeekPlan.Slot s, SittingParts.Said said) {
        String machine = WeekPlanned.atBench(s) ? null : s.machine();
        return new Task(
                u.what(),
                u.task(),
                machine,
                s.person(),
                s.startAt(),
                s.endAt(),
                u.why(),
                said.lacking().get(s.id()),
                said.meanwhile().get(s.id()));
    }
}
