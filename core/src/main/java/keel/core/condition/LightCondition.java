package keel.core.condition;

import java.time.Instant;
import java.util.Locale;
import keel.core.run.Detail;
import keel.core.standing.PartCondition;

/**
 * A light engine as it was read: it fades along its path, and may die at any age.
 *
 * @param path of its fading
 * @param uvHours that it has given light since its first map: to what it gave then its exposures were made
 * @param madeUp loss of light that the exposure was raised for since then, as ln(then/now)
 * @param lookedAt when it was read last
 */
public record LightCondition(FadingPath path, double uvHours, double madeUp, Instant lookedAt)
        implements PartCondition {

    /** How unlike prints are in what they bear. */
    private static final double FAILS_SD = 0.08;

    @Override
    public double failsWithin(double byAge, double printHours, double moreUvHours) {
        return failsWithin(byAge, printHours, moreUvHours, Detail.USUAL);
    }

    @Override
    public double failsWithin(double byAge, double printHours, double moreUvHours, Detail detail) {
        double dim = path.beyond(madeUp + detail.bearsLoss(), uvHours + moreUvHours, FAILS_SD);
        return 1 - (1 - dim) * (1 - byAge);
    }

    @Override
    public double ended(double byAge, double printHours, double moreUvHours) {
        return 1 - (1 - path.beyond(madeUp + Detail.USUAL.bearsLoss(), uvHours + moreUvHours)) * (1 - byAge);
    }

    @Override
    public String words() {
        return String.format(
                Locale.ROOT, "it gives %.0f %% of what its first map showed", 100 * Math.exp(-path.loss(uvHours)));
    }
}
