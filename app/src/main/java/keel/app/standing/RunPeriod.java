package keel.app.standing;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.IdClass;
import java.io.Serializable;
import java.time.Instant;

/** Derived: what a machine did in thirty days; the first began with 1970. */
@Entity
@IdClass(RunPeriod.Key.class)
class RunPeriod {

    private static final long SECONDS = 30 * 86_400L;

    record Key(long machineId, int period) implements Serializable {}

    @Id
    long machineId;

    @Id
    int period;

    long prints;
    double hours;
    double uvHours;
    long layers;
    double resinMl;

    /** The period that a moment lies in. */
    static int of(Instant at) {
        return (int) Math.floorDiv(at.getEpochSecond(), SECONDS);
    }

    static Instant beginOf(int period) {
        return Instant.ofEpochSecond(period * SECONDS);
    }
}
