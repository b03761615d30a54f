package keel.core.condition;

import java.time.Instant;
import java.util.List;
import keel.core.placement.PlacedPart;
import keel.core.run.Detail;
import keel.core.standing.PartCondition;
import org.hipparchus.util.FastMath;
import org.jspecify.annotations.Nullable;

/**
 * A film as it was seen and metered: clouding by its path, all other ends by its age and by what is wrong with it.
 *
 * @param path of its clouding, as it is now
 * @param ahead when it will be too cloudy
 * @param hazard by how much likelier it ends otherwise
 * @param bears what prints on its machine bear
 * @param madeUp loss of light that the present exposure makes up, as ln(new/now)
 * @param words what was seen last
 */
public record FilmCondition(
        CloudingPath path,
        CloudingAhead ahead,
        FilmHazard hazard,
        FilmBears bears,
        double madeUp,
        String words,
        @Nullable Instant lookedAt)
        implements PartCondition {

    /** Share of the ends that an age model was fitted on which are none by clouding; common practice, no source. */
    public static final double OTHER_ENDS = 0.5;

    @Override
    public double failsWithin(double byAge, double printHours, double uvHours) {
        return failsWithin(byAge, printHours, uvHours, Detail.USUAL);
    }

    @Override
    public double failsWithin(double byAge, double printHours, double uvHours, Detail detail) {
        double clear = 1 - cloudsOver(printHours, uvHours, detail);
        return 1 - clear * (1 - marksIt(detail)) * (1 - endsOtherwise(byAge));
    }

    /** Chance that a dent under it marks a job. */
    public double marksIt(Detail detail) {
        return FastMath.min(1, bears.worn() * hazard.spoils(detail));
    }

    /** Chance that a job fails for want of light, by the end of it. */
    public double cloudsOver(double printHours, double uvHours, Detail detail) {
        return path.after(printHours, uvHours).fails(bears, detail, madeUp);
    }

    @Override
    public double ended(double byAge, double printHours, double uvHours) {
        return 1 - (1 - ahead.tooCloudy(printHours)) * (1 - endsOtherwise(byAge));
    }

    @Override
    public FilmCondition under(List<PlacedPart> job) {
        return new FilmCondition(path, ahead, hazard.under(job), bears, madeUp, words, lookedAt);
    }

    /** Chance that it is pierced, torn or slack by the end of a job. */
    public double endsOtherwise(double byAge) {
        if (hazard.holed()) {
            return 1;
        }
        double hazardByAge = -FastMath.log1p(-FastMath.min(byAge, 1 - 1e-12));
        return -FastMath.expm1(-bears.otherwise() * hazard.factor() * OTHER_ENDS * hazardByAge);
    }
}
