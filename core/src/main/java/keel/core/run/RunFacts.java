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
 * @param resinMl resin that the whole job takes, ml
 * @param reachedLayer the last layer that was printed, where the run did not go to its end
 * @param measuredMl resin that really went into it, where somebody looked, ml
 */
public record RunFacts(
        String job,
        Instant startedAt,
        Instant endedAt,
        Integer layers,
        Double layerExposureS,
        Double resinMl,
        Outcome outcome,
        Integer reachedLayer,
        Double measuredMl) {

    public boolean open() {
        return endedAt == null;
    }

    /** Layers that were really printed. */
    public int layersDone() {
        return reachedLayer != null ? reachedLayer : layers;
    }

    /** Resin that really went into it: as it was measured, else the share of the whole up to the layer reached, ml. */
    public double usedMl() {
        if (measuredMl != null) {
            return measuredMl;
        }
        double whole = resinMl == null ? 0 : resinMl;
        return reachedLayer == null || layers == null || layers == 0
                ? whole
                : whole * Math.min(1, (double) reachedLayer / layers);
    }

    public double hours() {
        return Duration.between(startedAt, endedAt).toMillis() / 3_600_000.0;
    }

    /** What this run adds to every part it was printed with; nothing while it is still running. */
    public Usage usage() {
        return open() ? Usage.NONE : Usage.ofRun(hours(), layersDone(), layerExposureS, usedMl());
    }
}
