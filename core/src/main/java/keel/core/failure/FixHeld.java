package keel.core.failure;

import java.time.Instant;
import java.util.List;

/** A cause counts as found only when the fix held: a good run after the verdict that got past the point of failure. */
public final class FixHeld {

    private FixHeld() {}

    /**
     * A good run that ended.
     *
     * @param layers layers it printed
     */
    public record GoodRun(Instant startedAt, int layers) {}

    /**
     * @param failedAtLayer layer at which it failed, null if not known: then any good run will do
     * @param verdictAt when the cause was named
     * @param goodRuns good runs of the same machine
     */
    public static boolean by(List<GoodRun> goodRuns, Integer failedAtLayer, Instant verdictAt) {
        return goodRuns.stream()
                .anyMatch(run -> !run.startedAt().isBefore(verdictAt)
                        && (failedAtLayer == null || run.layers() >= failedAtLayer));
    }
}
