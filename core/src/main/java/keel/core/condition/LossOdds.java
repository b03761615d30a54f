package keel.core.condition;

import keel.core.run.Detail;
import org.hipparchus.util.FastMath;

/** How likely each loss of light ln(new/now) is: 0, a step, two steps and so on. */
final class LossOdds {

    static final double STEP = 0.005;

    private final double[] chances;

    LossOdds(double[] chances) {
        this.chances = chances;
    }

    double mean() {
        double mean = 0;
        for (int i = 0; i < chances.length; i++) {
            mean += chances[i] * i * STEP;
        }
        return mean;
    }

    double sd() {
        double mean = mean();
        double square = 0;
        for (int i = 0; i < chances.length; i++) {
            square += chances[i] * (i * STEP - mean) * (i * STEP - mean);
        }
        return FastMath.sqrt(square);
    }

    /** The loss below which it lies with this chance. */
    double quantile(double chance) {
        double sum = 0;
        for (int i = 0; i < chances.length; i++) {
            sum += chances[i];
            if (sum >= chance) {
                return i * STEP;
            }
        }
        return (chances.length - 1) * STEP;
    }

    /** Chance that more is lost. */
    double beyond(double loss) {
        double sum = 0;
        for (int i = 0; i < chances.length; i++) {
            sum += i * STEP > loss ? chances[i] : 0;
        }
        return FastMath.min(1, sum);
    }

    /** Chance that a print through it fails for want of light. */
    double fails(FilmBears bears, Detail detail, double madeUp) {
        double sum = 0;
        for (int i = 0; i < chances.length; i++) {
            sum += chances[i] * bears.fails(i * STEP, detail, madeUp);
        }
        return FastMath.min(1, sum);
    }
}
