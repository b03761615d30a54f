package keel.core.standing;

import java.time.Instant;
import java.util.Set;

/** Something that happened to a machine and bears on whether it may print. */
public sealed interface MachineEvent {

    Instant at();

    /** A run ended, whatever its outcome. */
    record RunEnded(Instant at) implements MachineEvent {}

    /** A failure was seen, with the codes of the symptoms that were there. */
    record FailureSeen(Instant at, Set<String> symptoms) implements MachineEvent {}

    /** A check found resin where it must not be. */
    record LeakFound(Instant at) implements MachineEvent {}

    /**
     * A service was done.
     *
     * @param clean for inspections: whether all was clean and whole
     * @param emptied for a clean-up: whether the vat was emptied
     * @param leak for a vat inspection: whether it found a leak
     */
    record ServiceDone(Instant at, ServiceKind kind, boolean clean, boolean emptied, boolean leak)
            implements MachineEvent {

        public static ServiceDone of(Instant at, ServiceKind kind) {
            return new ServiceDone(at, kind, false, false, false);
        }
    }
}
