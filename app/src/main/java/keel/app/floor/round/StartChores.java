package keel.app.floor.round;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import keel.app.floor.week.Reasons;
import keel.app.prints.WantedView;
import keel.app.standing.MachineNow;
import keel.core.round.ChoreKind;
import keel.core.week.WeekPlan;
import org.springframework.stereotype.Component;

/** Jobs that the week wants started next, one a machine. */
@Component
class StartChores {

    private static final double MINUTE_SECONDS = 60;

    private final Reasons reasons;
    private final Clock clock;

    StartChores(Reasons reasons, Clock clock) {
        this.reasons = reasons;
        this.clock = clock;
    }

    /** What is planned for after a print that goes on is begun only when that has ended, and not said before. */
    List<Work> of(List<MachineNow> machines, Costing.Now costing) {
        Map<String, MachineNow> free = machines.stream()
                .filter(m -> m.run() == null)
                .collect(Collectors.toMap(MachineNow::code, Function.identity()));
        return costing.week().plan().slots().stream()
                .filter(s -> free.containsKey(s.machine()))
                .collect(Collectors.toMap(WeekPlan.Slot::machine, Function.identity(), (first, later) -> first))
                .values()
                .stream()
                .flatMap(s -> costing.week().job(s.id()).map(j -> start(s, j, free.get(s.machine()), costing)).stream())
                .toList();
    }

    private Work start(WeekPlan.Slot slot, WantedView job, MachineNow m, Costing.Now costing) {
        Instant now = clock.instant();
        double minutes = Duration.between(slot.startAt(), slot.printsFrom()).toSeconds() / MINUTE_SECONDS;
        return Work.of(ChoreKind.START, Long.toString(job.id()), "Start " + job.name())
                .at(m.code(), m.name(), m.room())
                .because(reasons.line(slot))
                .takes(minutes, (int) Math.round(minutes))
                .from(slot.startAt().isAfter(now) ? slot.startAt() : null)
                .costs(
                        0,
                        costing.costs().idleWhileWanted(),
                        job.name() + " waits, and " + m.name() + " could print it.")
                .doneAt(job.startPath(m.code()));
    }
}
