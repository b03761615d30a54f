package keel.app.standing;

import java.time.Instant;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Whether the last print of a machine failed, and whether anything was changed on it since. Cleaning changes nothing.
 */
@Service
@Transactional(readOnly = true)
public class SinceFailure {

    private final OccupancyRecords records;

    SinceFailure(OccupancyRecords records) {
        this.records = records;
    }

    /**
     * How it stands.
     *
     * @param inARow prints that went wrong one after the other, up to now
     */
    public record Now(boolean lastFailed, boolean changedSince, int inARow) {}

    public Now of(long machineId) {
        Instant failed = records.lastFailure(machineId);
        if (failed == null || records.lastThatCameOut(machineId, failed) != null) {
            return new Now(false, false, 0);
        }
        boolean changed = records.changesSince(machineId, failed) > 0 || records.settingsSince(machineId, failed) > 0;
        Instant good = Latest.of(failed, from -> records.lastThatCameOut(machineId, from));
        return new Now(true, changed, (int) records.endedSince(machineId, good == null ? Instant.EPOCH : good));
    }
}
