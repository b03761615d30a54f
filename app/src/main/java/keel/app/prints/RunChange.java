package keel.app.prints;

import java.time.Instant;

/**
 * What a correction changes; null leaves a field as it is. {@code withdrawn} takes the run out of all sums, or back in.
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
        Integer reachedLayer,
        Boolean withdrawn) {}
