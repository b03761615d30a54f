package keel.core.profile;

import java.util.Optional;
import keel.core.resin.Warmth;
import org.jspecify.annotations.Nullable;

/**
 * What cold resin asks of a profile: more exposure and a slower lift, or better, warm resin. 0.2 to 0.5 s more and
 * about 40 mm/min are common practice, no published source; the most only where it is six degrees too cold, and no
 * profile helps beyond.
 *
 * @param exposureFromS layer exposure with the least addition, s
 * @param exposureToS with the most, s
 * @param liftMmPerMin lift speed, mm/min
 */
public record ColdResin(double exposureFromS, double exposureToS, double liftMmPerMin) {

    static final double LEAST_S = 0.2;
    static final double MOST_S = 0.5;
    static final double WORST_C = 6;
    static final double SLOW_MM_PER_MIN = 40;

    /**
     * @param warmth of the resin or the room, null if not known
     * @return empty where it is not cold, or not known
     */
    public static Optional<ColdResin> of(@Nullable Warmth warmth, ProfileSettings settings) {
        if (warmth == null || warmth.below() == 0 || !warmth.asksForSomething()) {
            return Optional.empty();
        }
        double exposure = settings.value(Setting.EXPOSURE_S);
        double most = LEAST_S + (MOST_S - LEAST_S) * Math.min(1, warmth.below() / WORST_C);
        return Optional.of(new ColdResin(
                exposure + LEAST_S,
                exposure + most,
                Math.min(SLOW_MM_PER_MIN, settings.value(Setting.LIFT_MM_PER_MIN))));
    }
}
