package keel.core.history;

import java.time.Instant;
import java.util.Map;
import java.util.Set;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.core.standing.ServiceKind;

/** An entry in a machine's records that bears on why a print failed. */
public sealed interface Past {

    Instant at();

    /**
     * A print that has ended.
     *
     * @param at its end
     * @param hours print hours; {@code uvHours} those with the light on
     * @param resinMl resin that it took, ml
     */
    record Printed(Instant startedAt, Instant at, Outcome outcome, double hours, double uvHours, double resinMl)
            implements Past {

        public boolean good() {
            return outcome.cameOut();
        }
    }

    /**
     * A failure that was logged.
     *
     * @param symptoms codes of what was seen
     * @param zones where on the plate, {@code A1} front left to {@code F4} back right; empty if it was all over or
     *     nobody said
     */
    record Failed(Instant at, Set<String> symptoms, Set<String> zones) implements Past {}

    /** A check that found something, by cause codes. */
    record Found(Instant at, Set<String> causes) implements Past {}

    /**
     * Work at the bench.
     *
     * @param yes names of its yes-or-no fields that were answered with yes, such as {@code sieved}
     */
    record Serviced(Instant at, ServiceKind kind, Set<String> yes) implements Past {}

    record Poured(Instant at, String resin, double ml) implements Past {}

    /**
     * A setting of a profile was changed.
     *
     * @param against every setting by its value now over that of the profile's first version, where it is not the same;
     *     0 for one that was switched off
     */
    record Changed(Instant at, String resin, Map<Setting, Double> against) implements Past {}

    /**
     * The temperature of its room was read, or that of the resin itself, °C.
     *
     * @param resinLowC lowest that suits the resin that was measured; null for a reading of the room
     */
    record Warmth(Instant at, double celsius, Double resinLowC) implements Past {

        public Warmth(Instant at, double celsius) {
            this(at, celsius, null);
        }
    }
}
