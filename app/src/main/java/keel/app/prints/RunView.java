package keel.app.prints;

import java.time.Instant;
import keel.core.run.Detail;
import keel.core.run.Outcome;

/**
 * A run as it is read.
 *
 * @param hours print hours, null while it runs
 * @param uvHours hours with the UV on, null while it runs
 * @param peels layers that it printed, null while it runs
 * @param usedMl resin that really went into it up to the layer it reached, ml; {@code resinMl} is what the whole takes
 * @param measuredMl the same where somebody looked, null otherwise
 * @param cameOut whether there is something to show for it, null while it runs
 * @param profileVersion number of the profile's version it was printed with, null if none was in force
 * @param detail how much it needs, null where nobody said
 */
public record RunView(
        long id,
        String machine,
        String machineName,
        String job,
        Instant startedAt,
        Instant endedAt,
        int layers,
        double layerExposureS,
        double resinMl,
        Outcome outcome,
        Integer reachedLayer,
        Double hours,
        Double uvHours,
        Long peels,
        Double usedMl,
        Double measuredMl,
        Boolean cameOut,
        boolean withdrawn,
        int version,
        Integer profileVersion,
        Detail detail) {

    public boolean open() {
        return endedAt == null;
    }
}
