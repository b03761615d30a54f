package keel.core.profile;

import java.util.Optional;

/**
 * What a cold room asks of a profile: more exposure and a slower lift, or better, warm resin. 0.2 to 0.5 s more and
 * about 40 mm/min are common practice, no published source.
 *
 * @param exposureFromS layer exposure with the least addition, s
 * @param exposureToS with the most, s
 * @param liftMmPerMin lift speed, mm/min
 */
public record ColdRoom(double exposureFromS, double exposureToS, double liftMmPerMin) {

    static final double LEAST_S = 0.2;
    static final double MOST_S = 0.5;
    static final double SLOW_MM_PER_MIN = 40;

    /**
     * @param roomC temperature where the machine stands, null if not known
     * @param lowC below which resin is cold
     * @return empty where it is not cold, or not known
     */
    public static Optional<ColdRoom> of(Double roomC, double lowC, ProfileSettings settings) {
        if (roomC == null || roomC >= lowC) {
            return Optional.empty();
        }
        double exposure = settings.value(Setting.EXPOSURE_S);
        return Optional.of(new ColdRoom(
                exposure + LEAST_S,
                exposure + MOST_S,
                Math.min(SLOW_MM_PER_MIN, settings.value(Setting.LIFT_MM_PER_MIN))));
    }
}
