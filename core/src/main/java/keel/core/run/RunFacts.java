package keel.core.run;

import java.time.Duration;
import java.time.Instant;
import keel.core.wear.Usage;

/**
 * What is known of one run: one print on one machine. Fields that were not given are null; {@link RunRules} says what
 * may be missing.
 *
 * @param layers layers in the sliced file
 * @param layerExposureS exposure of a normal layer, s
 * @param resinMl resin used, ml
 * @param reachedLayer the last layer that was printed, where the run did not go to its end
 */
public record RunFacts(
        String job,
        Instant startedAt,
        Instant endedAt,
        Integer layers,
        Double layerExposureS,
        Double resinMl,
        Outcome outcome,
        Integer reachedLayer) {

    public boolean open() {
        return endedAt == null;
    }

    /** Layers that were really printed. */
    public int layersDone() {
        return reachedLayer != null ? reachedLayer : layers;
    }

    public double hours() {
        return Duration.between(startedAt, endedAt).toMillis() / 3_600_000.0;
    }

    /** What this run adds to every part it was printed with; nothing while it is still running. */
    public Usage usage() {
        return open() ? Usage.NONE : Usage.ofRun(hours(), layersDone(), layerExposureS, resinMl == null ? 0 : resinMl);
    }
}
