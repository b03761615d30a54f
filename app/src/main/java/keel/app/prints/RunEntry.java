package keel.app.prints;

import java.time.Instant;
import keel.core.placement.Footprint;
import keel.core.run.Detail;

/**
 * A run as somebody enters it. Without an end it starts now and runs; {@code outcome} and {@code reachedLayer} are only
 * read with an end.
 *
 * @param outcome GOOD, PARTIAL, FAILED, STOPPED or USABLE
 * @param overrideReason why a keeper starts it in spite of holds, null for not
 * @param againOf id of the run that it prints again what was lost of, null for none
 * @param lookInHours how often somebody looks in while it runs, h; null for the shop's own figure
 * @param footprint what it covers of the plate, null if nobody says
 * @param usedMl resin that really went into it, null where nobody looked; only read with an end
 * @param detail how much it needs, null where nobody says
 */
public record RunEntry(
        String machine,
        String job,
        Instant startedAt,
        Instant endedAt,
        Integer layers,
        Double layerExposureS,
        Double resinMl,
        String outcome,
        Integer reachedLayer,
        String overrideReason,
        Double lookInHours,
        Long againOf,
        Footprint footprint,
        Double usedMl,
        Detail detail) {

    public RunEntry(
            String machine,
            String job,
            Instant startedAt,
            Instant endedAt,
            Integer layers,
            Double layerExposureS,
            Double resinMl,
            String outcome,
            Integer reachedLayer,
            String overrideReason) {
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
                overrideReason,
                null,
                null,
                null,
                null,
                null);
    }

    /** The same with these numbers. */
    RunEntry with(int count, double exposureS, double ml) {
        return new RunEntry(
                machine,
                job,
                startedAt,
                endedAt,
                count,
                exposureS,
                ml,
                outcome,
                reachedLayer,
                overrideReason,
                lookInHours,
                againOf,
                footprint,
                usedMl,
                detail);
    }
}
