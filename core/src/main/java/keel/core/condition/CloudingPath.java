package keel.core.condition;

import java.util.Arrays;
import java.util.List;
import keel.core.film.Clouding;
import keel.core.run.Detail;
import org.hipparchus.special.Erf;
import org.hipparchus.util.FastMath;

/**
 * How much light a film loses, Λ = ln(new/now) = b·u + J, as it is known from what was seen. The loss b a UV hour
 * differs from film to film, J are jumps by mishandling. A grid over Λ and b; a reading is good to 0.015 of Λ, a
 * look is an ordered probit. Immutable.
 *
 * <p>Source: C. J. Lu and W. Q. Meeker, Technometrics 35 (1993); W. Q. Meeker and L. A. Escobar, Statistical Methods
 * for Reliability Data (1998), degradation paths. Figures are common practice, no source.
 */
public final class CloudingPath {

    private static final double STEP = LossOdds.STEP;
    private static final int STEPS = 101;
    private static final int RATES = 15;
    private static final double FAR_SD = 2.5;
    private static final double READING_SD = 0.015;
    private static final double LOOK_SD = 0.03;
    private static final double AT_RANDOM = 0.005;
    /** Midway between the grades' usual losses. */
    private static final double[] CUTS = {0.0166, 0.0561, 0.1157, 0.2128};

    private final CloudingPrior prior;
    private final double hours;
    private final double uvHours;
    private final double[] rates;
    private final double[][] chances;

    private CloudingPath(CloudingPrior prior, double hours, double uvHours, double[] rates, double[][] chances) {
        this.prior = prior;
        this.hours = hours;
        this.uvHours = uvHours;
        this.rates = rates;
        this.chances = chances;
    }

    /** A new film: clear, but for the few that were mishandled before or while they were fitted. */
    public static CloudingPath fresh(CloudingPrior prior) {
        double[] rates = new double[RATES];
        double[][] chances = new double[RATES][STEPS];
        double all = 0;
        for (int r = 0; r < RATES; r++) {
            double z = FAR_SD * (2.0 * r / (RATES - 1) - 1);
            rates[r] = prior.medianPerUvHour() * FastMath.exp(prior.sdLog() * z);
            chances[r][0] = FastMath.exp(-z * z / 2);
            all += chances[r][0];
        }
        double[] mishandled = jumps(prior, prior.mishandledBefore());
        for (double[] row : chances) {
            double chance = row[0] / all;
            Arrays.setAll(row, i -> chance * mishandled[i]);
        }
        return new CloudingPath(prior, 0, 0, rates, chances);
    }

    /**
     * After what was seen, as it is at an age.
     *
     * @param seen in the order in which it was seen
     */
    public static CloudingPath of(CloudingPrior prior, List<CloudingSeen> seen, double hours, double uvHours) {
        CloudingPath path = fresh(prior);
        for (CloudingSeen s : seen) {
            path = path.upTo(s.hours(), s.uvHours()).seen(s);
        }
        return path.upTo(hours, uvHours);
    }

    /** The same so many hours of printing later. */
    public CloudingPath after(double printHours, double moreUvHours) {
        return at(hours + printHours, uvHours + moreUvHours);
    }

    /** The same at that age, or as it is where it is older. */
    CloudingPath upTo(double toHours, double toUvHours) {
        return toHours <= hours && toUvHours <= uvHours
                ? this
                : at(FastMath.max(hours, toHours), FastMath.max(uvHours, toUvHours));
    }

    private CloudingPath at(double toHours, double toUvHours) {
        double[] jumps = jumps(prior, (toHours - hours) / prior.jumpEveryHours());
        double[][] later = new double[RATES][STEPS];
        for (int r = 0; r < RATES; r++) {
            move(chances[r], rates[r] * (toUvHours - uvHours) / STEP, jumps, later[r]);
        }
        return new CloudingPath(prior, toHours, toUvHours, rates, later);
    }

    /** By so many steps, spread over two where it falls between, and by a jump; the last step keeps what is beyond. */
    private static void move(double[] from, double steps, double[] jumps, double[] to) {
        int whole = (int) steps;
        double part = steps - whole;
        for (int i = 0; i < STEPS; i++) {
            if (from[i] > 0) {
                for (int j = 0; j < STEPS; j++) {
                    double moved = from[i] * jumps[j];
                    to[FastMath.min(STEPS - 1, i + j + whole)] += moved * (1 - part);
                    to[FastMath.min(STEPS - 1, i + j + whole + 1)] += moved * part;
                }
            }
        }
    }

    /** Chance of each sum of exponential jumps, their number Poisson (Panjer's recursion); the last holds the rest. */
    private static double[] jumps(CloudingPrior prior, double expected) {
        double[] one = new double[STEPS];
        for (int k = 0; k < STEPS; k++) {
            double low = k == 0 ? 1 : FastMath.exp(-(k - 0.5) * STEP / prior.jumpMean());
            one[k] = low - FastMath.exp(-(k + 0.5) * STEP / prior.jumpMean());
        }
        double[] sums = new double[STEPS];
        sums[0] = FastMath.exp(-expected * (1 - one[0]));
        double known = sums[0];
        for (int k = 1; k < STEPS - 1; k++) {
            double sum = 0;
            for (int j = 1; j <= k; j++) {
                sum += j * one[j] * sums[k - j];
            }
            sums[k] = expected / k * sum;
            known += sums[k];
        }
        sums[STEPS - 1] = FastMath.max(0, 1 - known);
        return sums;
    }

    /** The same once this is known of it, at the age that it has. */
    CloudingPath seen(CloudingSeen seen) {
        Clouding grade = seen.grade();
        Double loss = seen.loss();
        double[] likely = new double[STEPS];
        for (int i = 0; i < STEPS; i++) {
            likely[i] = (grade == null ? 1 : looks(grade, i * STEP)) * (loss == null ? 1 : metered(loss, i * STEP));
        }
        double[][] known = new double[RATES][STEPS];
        double all = 0;
        for (int r = 0; r < RATES; r++) {
            for (int i = 0; i < STEPS; i++) {
                known[r][i] = chances[r][i] * likely[i];
                all += known[r][i];
            }
        }
        for (double[] row : known) {
            for (int i = 0; i < STEPS; i++) {
                row[i] /= all;
            }
        }
        return new CloudingPath(prior, hours, uvHours, rates, known);
    }

    /** Chance that a film with this loss is given that grade. */
    static double looks(Clouding grade, double loss) {
        int g = grade.ordinal();
        double below = g == CUTS.length ? 1 : normal((CUTS[g] - loss) / LOOK_SD);
        double lower = g == 0 ? 0 : normal((CUTS[g - 1] - loss) / LOOK_SD);
        return (1 - AT_RANDOM) * (below - lower) + AT_RANDOM / (CUTS.length + 1);
    }

    private static double metered(double reading, double loss) {
        double z = (reading - loss) / READING_SD;
        return FastMath.exp(-z * z / 2) + 1e-9;
    }

    private static double normal(double z) {
        return 0.5 * Erf.erfc(-z / FastMath.sqrt(2));
    }

    LossOdds losses() {
        double[] losses = new double[STEPS];
        for (double[] row : chances) {
            Arrays.setAll(losses, i -> losses[i] + row[i]);
        }
        return new LossOdds(losses);
    }

    public double mean() {
        return losses().mean();
    }

    public double sd() {
        return losses().sd();
    }

    /** The loss below which it lies with this chance. */
    public double quantile(double chance) {
        return losses().quantile(chance);
    }

    /** Chance that more light than that is lost. */
    public double beyond(double loss) {
        return losses().beyond(loss);
    }

    /**
     * Chance that a print through it, as it is, fails for want of light.
     *
     * @param madeUp loss that the present exposure makes up
     */
    public double fails(FilmBears bears, Detail detail, double madeUp) {
        return losses().fails(bears, detail, madeUp);
    }

    public double hours() {
        return hours;
    }

    public double uvHours() {
        return uvHours;
    }
}
