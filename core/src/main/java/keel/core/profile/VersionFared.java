package keel.core.profile;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import keel.core.rate.RateDifference;
import keel.core.rate.SuccessRate;

/**
 * How a version of a profile fared.
 *
 * @param number version, from 1
 * @param good runs with it that came out
 * @param runs runs with it that ended
 */
public record VersionFared(int number, int good, int runs) {

    private static final int FEWEST = 2;

    /** Empty where nothing was printed with it. */
    public Optional<SuccessRate> rate() {
        return runs == 0 ? Optional.empty() : Optional.of(SuccessRate.of(good, runs));
    }

    /** Against an other; empty where one of them has no run. */
    public Optional<RateDifference> against(VersionFared other) {
        return rate().flatMap(mine -> other.rate().map(theirs -> RateDifference.between(mine, theirs)));
    }

    /**
     * The version to go back to: the newest before the current one with which more prints came out than not, two at
     * least. Common practice, no source.
     *
     * @param versions in any order
     */
    public static Optional<VersionFared> lastGood(List<VersionFared> versions) {
        int current = versions.stream().mapToInt(VersionFared::number).max().orElse(0);
        return versions.stream()
                .filter(v -> v.number < current && v.runs >= FEWEST && 2 * v.good > v.runs)
                .max(Comparator.comparingInt(VersionFared::number));
    }
}
