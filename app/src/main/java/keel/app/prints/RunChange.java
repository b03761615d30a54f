package keel.app.prints;

import java.time.Instant;
import java.util.Optional;

/**
 * What a correction changes; null leaves a field as it is. {@code withdrawn} takes the run out of all sums, or back in.
 *
 * @param reachedLayer empty: that it did not reach its last layer is taken back
 * @param version the one that was read; null to take whatever is recorded
 * @param usedMl what really went into it; empty: nobody looked after all
 */
public record RunChange(
        String machine,
        String job,
        Instant startedAt,
        Instant endedAt,
        Integer layers,
        Double layerExposureS,
        Double resinMl,
        String outcome,
        Optional<Integer> reachedLayer,
        Boolean withdrawn,
        Integer version,
        Optional<Double> usedMl) {

    /** Whatever is recorded. */
    public RunChange(
            String machine,
            String job,
            Instant startedAt,
            Instant endedAt,
            Integer layers,
            Double layerExposureS,
            Double resinMl,
            String outcome,
            Optional<Integer> reachedLayer,
            Boolean withdrawn) {
        this(
                machine,
                job,
                startedAt,
                endedAt,
                layers,
                layerExposureS,
                resinMl,
                outcome,
                reachedLayer,
                withdrawn,
                null,
                null);
    }
}
