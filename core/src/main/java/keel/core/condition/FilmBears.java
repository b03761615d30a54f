package keel.core.condition;

import keel.core.run.Detail;
import org.hipparchus.special.Erf;
import org.hipparchus.util.FastMath;

/**
 * What prints bear of a clouded film, and how far the chances that are common practice hold here.
 *
 * @param more loss of light ln(new/now) that they bear here beyond what is usual
 * @param sd how unlike they are in that
 * @param worn by how much likelier they fail for want of light, or by a dent, on this machine than told
 * @param otherwise by how much likelier films here are pierced, torn or slack than their age and look say
 */
public record FilmBears(double more, double sd, double worn, double otherwise) {

    /** Nothing is known from here yet; common practice, no source. */
    public static final FilmBears USUAL = new FilmBears(0, 0.08, 1, 1);

    /** The loss, beyond what the exposure makes up, at which every second print of such detail fails. */
    public double bearsLoss(Detail detail) {
        return detail.bearsLoss() + more;
    }

    /** Chance that a print through a film that has lost so much light fails for want of it. */
    public double fails(double loss, Detail detail, double madeUp) {
        double z = (loss - madeUp - bearsLoss(detail)) / sd;
        return FastMath.min(1, worn * 0.5 * Erf.erfc(-z / FastMath.sqrt(2)));
    }
}
