package keel.app.floor.week;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.prints.WantedView;
import keel.app.standing.MachineNow;
import keel.core.standing.ServiceKind;
import keel.core.week.PlanningFigures;
import keel.core.week.WeekPlan;
import keel.core.week.WorkHours;

/**
 * A week as it is planned now.
 *
 * @param jobs those that wait, by the id that the plan knows them by
 * @param upkeep what is done in sittings, likewise
 * @param machines as they were when it was planned
 * @param shifts when people are there
 * @param spotted by the job's id, names of machines that it would fit but for spots and marks
 * @param moved what stands elsewhere than it was shown, newest plan against the one before; {@code movedAt} since when
 * @param assumed what nobody said and was taken for granted, in sentences
 */
public record WeekPlanned(
        WeekPlan plan,
        Map<String, WantedView> jobs,
        Map<String, Upkeep> upkeep,
        List<MachineNow> machines,
        List<WorkHours.Shift> shifts,
        Map<String, List<String>> spotted,
        List<Moved> moved,
        Instant movedAt,
        List<String> assumed) {

    static final String UPKEEP = "upkeep ";
    static final String JOB = "job ";

    /** Where what belongs to no machine is done. */
    static final String BENCH = "bench";

    private static final String BENCH_NAME = "Wash bench";

    /**
     * Work at a machine or at the bench.
     *
     * @param what it is in a few words
     * @param task null for what is no service of a machine
     * @param path where it is done
     * @param early whether it is done before it would have to be, because somebody is at it anyway
     */
    public record Upkeep(String what, ServiceKind task, String path, String why, boolean early) {

        /** Kind of the part that it takes off the shelf; empty where it takes none. */
        public Optional<String> takesPart() {
            return task == null ? Optional.empty() : task.takesPart();
        }
    }

    /**
     * A job that stands elsewhere.
     *
     * @param machine name of where it stood; {@code toMachine} of where it stands now, null where it has no place
     */
    public record Moved(long job, String name, String machine, Instant at, String toMachine, Instant to) {}

    /** When the print that goes on there is taken to end: so many hours from its start while nobody knows. */
    public static Instant ends(MachineNow.OpenRun run) {
        return run.expectedEnd() != null
                ? run.expectedEnd()
                : run.startedAt().plus(Duration.ofMinutes(Math.round(60 * PlanningFigures.unknownHours())));
    }

    /** Whether a job is planned for a machine. */
    public boolean wants(String machine) {
        return plan.slots().stream().anyMatch(s -> s.machine().equals(machine) && jobs.containsKey(s.id()));
    }

    /** The job of a slot; empty where it is upkeep. */
    public Optional<WantedView> job(String id) {
        return Optional.ofNullable(jobs.get(id));
    }

    /** Whether something is done at the bench. */
    public boolean atBench() {
        return plan.slots().stream().anyMatch(s -> s.machine().equals(BENCH));
    }

    /** The lane of what is done there. */
    public static String benchName() {
        return BENCH_NAME;
    }

    /** Whether a slot is at the bench. */
    public static boolean atBench(WeekPlan.Slot slot) {
        return slot.machine().equals(BENCH);
    }

    /** Name of a machine, or of the bench. */
    public String machine(String code) {
        return code.equals(BENCH) ? BENCH_NAME : machineName(code);
    }

    private String machineName(String code) {
        return machines.stream()
                .filter(m -> m.code().equals(code))
                .map(MachineNow::name)
                .findFirst()
                .orElse(code);
    }
}
