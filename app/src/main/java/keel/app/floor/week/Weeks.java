package keel.app.floor.week;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.fleet.MachineChanged;
import keel.app.fleet.RoomsChanged;
import keel.app.people.PresenceChanged;
import keel.app.prints.JobsChanged;
import keel.app.standing.ConditionChanged;
import keel.app.standing.MachineNow;
import keel.app.standing.RunsChanged;
import keel.core.week.WeekPlan;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * The week as it is planned: made anew when something happened and every few minutes, from the plan that was shown
 * last, which is left only for one that brings clearly more.
 */
@Service
public class Weeks {

    private static final Duration FRESH = Duration.ofMinutes(5);
    private static final Duration SAME = Duration.ofMinutes(45);
    private static final Duration TOLD = Duration.ofHours(12);

    private final WeekQuestion question;
    private final Clock clock;
    private WeekPlanned last;
    /** As the week's page showed it last; what moved is held against it. */
    private WeekPlanned seen;

    private boolean stale = true;
    private boolean rough;

    Weeks(WeekQuestion question, Clock clock) {
        this.question = question;
        this.clock = clock;
    }

    /** As it is planned now. */
    @Transactional(readOnly = true)
    public synchronized WeekPlanned now() {
        if (stale || rough || old()) {
            stale = false;
            rough = false;
            last = planned(question.at(clock.instant(), null), last == null ? WeekPlan.TRIES : WeekPlan.AGAIN);
        }
        seen = last;
        return last;
    }

    /**
     * As it was planned last, with what happened since put in: for pages that are about something else.
     *
     * @param machines as they were read already
     */
    @Transactional(readOnly = true)
    public synchronized WeekPlanned glance(List<MachineNow> machines) {
        if (stale || old()) {
            stale = false;
            rough = true;
            last = planned(question.at(clock.instant(), machines), WeekPlan.GLANCE);
        }
        return last;
    }

    private boolean old() {
        return last == null
                || Duration.between(last.plan().at(), clock.instant()).abs().compareTo(FRESH) >= 0;
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(JobsChanged changed) {
        forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(PresenceChanged changed) {
        forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(RunsChanged changed) {
        forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(RoomsChanged changed) {
        forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(MachineChanged changed) {
        forget();
    }

    @TransactionalEventListener(fallbackExecution = true)
    @Transactional(propagation = Propagation.NOT_SUPPORTED)
    void on(ConditionChanged changed) {
        forget();
    }

    private synchronized void forget() {
        stale = true;
    }

    private WeekPlanned planned(WeekQuestion.Asked asked, int tries) {
        Instant now = asked.at();
        List<WeekPlan.Shown> shown = last == null
                ? List.of()
                : last.plan().slots().stream()
                        .map(s -> new WeekPlan.Shown(s.id(), s.machine(), s.startAt()))
                        .toList();
        WeekPlan plan = WeekPlan.of(
                new WeekPlan.Asked(now, asked.days(), asked.shifts(), asked.wanted(), asked.stands(), shown, tries));
        List<WeekPlanned.Moved> moved = moved(plan, asked);
        boolean told = moved.isEmpty()
                && seen != null
                && seen.movedAt() != null
                && seen.movedAt().plus(TOLD).isAfter(now);
        return new WeekPlanned(
                plan,
                asked.jobs(),
                asked.upkeep(),
                asked.machines(),
                asked.shifts(),
                asked.spotted(),
                told ? seen.moved() : moved,
                told ? seen.movedAt() : moved.isEmpty() ? null : now,
                asked.assumed());
    }

    /** Jobs that stand on another machine now, or much sooner or later. */
    private List<WeekPlanned.Moved> moved(WeekPlan plan, WeekQuestion.Asked asked) {
        List<WeekPlanned.Moved> moved = new ArrayList<>();
        if (seen == null) {
            return moved;
        }
        Map<String, WeekPlan.Slot> now =
                plan.slots().stream().collect(Collectors.toMap(WeekPlan.Slot::id, Function.identity()));
        Map<String, String> names = new HashMap<>();
        asked.machines().forEach(m -> names.put(m.code(), m.name()));
        for (WeekPlan.Slot was : seen.plan().slots()) {
            WeekPlan.Slot is = now.get(was.id());
            if (!asked.jobs().containsKey(was.id()) || is != null && same(was, is)) {
                continue;
            }
            moved.add(new WeekPlanned.Moved(
                    asked.jobs().get(was.id()).id(),
                    asked.jobs().get(was.id()).name(),
                    seen.machine(was.machine()),
                    was.startAt(),
                    is == null ? null : names.get(is.machine()),
                    is == null ? null : is.startAt()));
        }
        return moved;
    }

    private static boolean same(WeekPlan.Slot was, WeekPlan.Slot is) {
        return was.machine().equals(is.machine())
                && Duration.between(was.startAt(), is.startAt()).abs().compareTo(SAME) < 0;
    }
}
