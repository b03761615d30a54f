package keel.app.runs;

import java.time.Instant;
import keel.core.run.Outcome;

/**
 * A run as it is read.
 *
 * @param hours   print hours, null while it runs
 * @param uvHours hours with the UV on, null while it runs
 */
public record RunView(long id, String machine, String machineName, String job, Instant startedAt, Instant endedAt, int layers,
                      double layerExposureS, double resinMl, Outcome outcome, Integer reachedLayer, Double hours, Double uvHours,
                      boolean withdrawn, int version) {

    public boolean open() {
        return endedAt == null;
    }
}
