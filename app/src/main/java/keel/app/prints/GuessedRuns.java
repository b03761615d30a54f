package keel.app.prints;

import java.time.Duration;
import keel.app.fleet.Fleet;
import keel.core.run.RunGuess;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Fills what nobody knows of a run that has ended: as its machine has printed so far, else the shop, else as usual. */
@Service
@Transactional(readOnly = true)
public class GuessedRuns {

    private static final double MS_AN_HOUR = 3_600_000;

    private final RunRecords records;
    private final Fleet fleet;

    GuessedRuns(RunRecords records, Fleet fleet) {
        this.records = records;
        this.fleet = fleet;
    }

    /** The same where all is said, or where it is not known how long it went. */
    public RunEntry filled(RunEntry e) {
        boolean known = e.layers() != null && e.layerExposureS() != null && e.resinMl() != null;
        if (known
                || e.startedAt() == null
                || e.endedAt() == null
                || !e.endedAt().isAfter(e.startedAt())) {
            return e;
        }
        double hours = Duration.between(e.startedAt(), e.endedAt()).toMillis() / MS_AN_HOUR;
        RunGuess guess = RunGuess.of(hours, e.layers(), e.layerExposureS(), e.resinMl(), habit(e.machine()));
        return new RunEntry(
                e.machine(),
                e.job(),
                e.startedAt(),
                e.endedAt(),
                guess.layers(),
                guess.layerExposureS(),
                guess.resinMl(),
                e.outcome(),
                e.reachedLayer(),
                e.overrideReason(),
                e.lookInHours(),
                e.againOf(),
                e.footprint(),
                e.usedMl(),
                e.detail(),
                guess.guessed());
    }

    private RunGuess.Habit habit(String machine) {
        RunGuess.Habit own = habit(fleet.machineOfEntry(machine).id());
        return own.equals(RunGuess.Habit.UNKNOWN) ? habit((Long) null) : own;
    }

    private RunGuess.Habit habit(Long machine) {
        RunRecords.Printed p = records.printed(machine);
        return p.hours() == null || p.layers() == null || p.uvHours() == null || p.ml() == null
                ? RunGuess.Habit.UNKNOWN
                : RunGuess.Habit.of(p.hours(), p.layers(), p.uvHours(), p.ml());
    }
}
