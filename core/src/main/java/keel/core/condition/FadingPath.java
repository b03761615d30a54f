package keel.core.condition;

import java.util.List;
import org.hipparchus.special.Erf;
import org.hipparchus.util.FastMath;

/**
 * How fast light fades, Λ = b·u over UV hours u, as it is known from readings: b normal, a reading good to a given sd
 * of Λ, so that what is known stays normal (conjugate update).
 *
 * <p>Source: C. J. Lu and W. Q. Meeker, Technometrics 35 (1993), linear degradation; the update is that of every
 * textbook of Bayesian regression.
 *
 * @param mean of b, a UV hour
 * @param sd of b
 */
public record FadingPath(double mean, double sd) {

    /** Common practice for light engines, no source: down to 70 % in some 4,000 UV hours, or twice that. */
    public static final FadingPath LIGHT = new FadingPath(8e-5, 6e-5);

    /** What a reading of the whole plate is good to, as sd of Λ; common practice, no source. */
    public static final double READING_SD = 0.03;

    /** Loss of light ln(new/now) at an age, UV hours. */
    public record Reading(double uvHours, double loss) {}

    /** The same after readings. */
    public FadingPath after(List<Reading> readings, double readingSd) {
        double precision = 1 / (sd * sd);
        double weighted = mean * precision;
        for (Reading r : readings) {
            precision += r.uvHours() * r.uvHours() / (readingSd * readingSd);
            weighted += r.uvHours() * r.loss() / (readingSd * readingSd);
        }
        return new FadingPath(weighted / precision, 1 / FastMath.sqrt(precision));
    }

    /** Loss that is to be expected at an age; it never gets brighter. */
    public double loss(double uvHours) {
        return FastMath.max(0, mean * uvHours);
    }

    /** Chance that more than that is lost at an age. */
    public double beyond(double loss, double uvHours) {
        return beyond(loss, uvHours, 0);
    }

    /** The same of a level that is itself only known to a given sd. */
    public double beyond(double loss, double uvHours, double levelSd) {
        double spread = FastMath.hypot(sd * uvHours, levelSd);
        return spread == 0 ? (loss < mean * uvHours ? 1 : 0) : normal((mean * uvHours - loss) / spread);
    }

    private static double normal(double z) {
        return 0.5 * Erf.erfc(-z / FastMath.sqrt(2));
    }
}
