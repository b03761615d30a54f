package keel.app.prints;

import java.time.Duration;
import java.util.Optional;
import keel.app.fleet.Fleet;
import keel.core.profile.Setting;
import keel.core.run.RunGuess;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * What nobody knows of a run that has ended: its exposure as the profile in force then says, all else as its machine
 * has printed so far, else the shop, else as is usual.
 */
@Service
@Transactional(readOnly = true)
class Guesses {

    private static final double MS_AN_HOUR = 3_600_000;

    private final RunRecords records;
    private final Profiles profiles;
    private final Fleet fleet;

    Guesses(RunRecords records, Profiles profiles, Fleet fleet) {
        this.records = records;
        this.profiles = profiles;
        this.fleet = fleet;
    }

    /** Empty where all is said, or where it is not known how long it went. */
    Optional<RunGuess> of(RunEntry e) {
        boolean known = e.layers() != null && e.layerExposureS() != null && e.resinMl() != null;
        if (known
                || e.startedAt() == null
                || e.endedAt() == null
                || !e.endedAt().isAfter(e.startedAt())) {
            return Optional.empty();
        }
        double hours = Duration.between(e.startedAt(), e.endedAt()).toMillis() / MS_AN_HOUR;
        return Optional.of(RunGuess.of(hours, e.layers(), e.layerExposureS(), e.resinMl(), habit(e)));
    }

    private RunGuess.Habit habit(RunEntry e) {
        long machine = fleet.machineOfEntry(e.machine()).id();
        RunGuess.Habit own = habit(machine);
        RunGuess.Habit habit = own.equals(RunGuess.Habit.UNKNOWN) ? habit((Long) null) : own;
        return profiles.inForce(machine, e.startedAt())
                .map(p -> habit.exposing(p.settings().value(Setting.EXPOSURE_S)))
                .orElse(habit);
    }

    private RunGuess.Habit habit(Long machine) {
        RunRecords.Printed p = records.printed(machine);
        return p.hours() == null || p.layers() == null || p.uvHours() == null || p.ml() == null
                ? RunGuess.Habit.UNKNOWN
                : RunGuess.Habit.of(p.hours(), p.layers(), p.uvHours(), p.ml());
    }
}
