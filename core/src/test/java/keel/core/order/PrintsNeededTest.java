package keel.core.order;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.util.CombinatoricsUtils;
import org.junit.jupiter.api.Test;

/**
 * Against the identity of handbooks of distributions: the r-th success comes by trial t exactly if t trials have at
 * least r successes; summed here term by term.
 */
class PrintsNeededTest {

    private static final double ROUNDING = 1e-9;

    private static double doneBy(int prints, int plates, double fails) {
        double sum = 0;
        for (int good = plates; good <= prints; good++) {
            sum += CombinatoricsUtils.binomialCoefficientDouble(prints, good)
                    * Math.pow(1 - fails, good)
                    * Math.pow(fails, prints - good);
        }
        return sum;
    }

    @Test
    void agreesWithCountingTrials() {
        for (int plates = 1; plates <= 12; plates++) {
            for (double fails : new double[] {0.03, 0.1, 0.25, 0.5, 0.8}) {
                PrintsNeeded needed = PrintsNeeded.of(plates, fails);

                assertThat(doneBy(needed.high(), plates, fails)).isGreaterThanOrEqualTo(0.9 - ROUNDING);
                assertThat(doneBy(needed.high() - 1, plates, fails)).isLessThan(0.9 + ROUNDING);
                assertThat(doneBy(needed.median(), plates, fails)).isGreaterThanOrEqualTo(0.5 - ROUNDING);
                assertThat(doneBy(needed.median() - 1, plates, fails)).isLessThan(0.5 + ROUNDING);
                assertThat(doneBy(needed.low(), plates, fails)).isGreaterThanOrEqualTo(0.1 - ROUNDING);
                assertThat(doneBy(needed.low() - 1, plates, fails)).isLessThan(0.1 + ROUNDING);
            }
        }
    }

    /** One plate at one half: as a coin, two throws in the mean (any textbook). */
    @Test
    void oneInTwoTakesTwo() {
        assertThat(PrintsNeeded.of(1, 0.5).mean()).isCloseTo(2, within(1e-12));
        assertThat(PrintsNeeded.of(1, 0.5).low()).isEqualTo(1);
        assertThat(PrintsNeeded.of(1, 0.5).high()).isEqualTo(4);
    }

    @Test
    void nothingToDoTakesNothing() {
        assertThat(PrintsNeeded.of(0, 0.3)).isEqualTo(new PrintsNeeded(0, 0, 0, 0, 0));
        assertThat(PrintsNeeded.of(5, 0)).isEqualTo(new PrintsNeeded(5, 5, 5, 5, 5));
        assertThatThrownBy(() -> PrintsNeeded.of(1, 1)).isInstanceOf(IllegalArgumentException.class);
    }
}
