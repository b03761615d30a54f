package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SlackSpacerTest {

    /** L = 80 mm, ε = 0.5 % gives 3.46 mm: 80·√(0.015/8), worked by hand. */
    @Test
    void halfAPercentOverEightyMillimetresTakesABulgeOfThreeAndAHalf() {
        assertThat(SlackSpacer.forStrain(80, 0.005).bulgeMm()).isCloseTo(3.46, within(0.005));
    }

    /** Against the exact arc length of a parabola y = 4b/L²·x·(L − x), by the trapezium rule. */
    @ParameterizedTest
    @CsvSource({"80, 0.001", "80, 0.005", "130, 0.01", "200, 0.02"})
    void theShallowParabolaIsCloseToTheExactArc(double spanMm, double strain) {
        SlackSpacer spacer = SlackSpacer.forStrain(spanMm, strain);
        int steps = 20_000;
        double arc = 0;
        for (int i = 0; i < steps; i++) {
            double slope = 4 * spacer.bulgeMm() / (spanMm * spanMm) * (spanMm - 2 * spanMm * (i + 0.5) / steps);
            arc += Math.sqrt(1 + slope * slope) * spanMm / steps;
        }
        assertThat((arc - spanMm) / spanMm).isCloseTo(strain, within(0.03 * strain));
        assertThat(spacer.strain()).isCloseTo(strain, within(1e-12));
    }

    /** A 3-4-5 triangle: pressed in by 3 at 4 from clamp to lip takes up 2·(5 − 4) = 2 mm. */
    @Test
    void theFrameTakesUpWhatTheTriangleSays() {
        assertThat(SlackSpacer.takenUpMm(3, 4)).isEqualTo(2);
    }

    @ParameterizedTest
    @CsvSource({"0, 0.005", "-80, 0.005", "80, -0.001", "80, 0.5", "NaN, 0.005", "80, NaN", "1e9, 0.005"})
    void whatCannotBeIsRefused(double spanMm, double strain) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> SlackSpacer.forStrain(spanMm, strain))
                .withMessageEndingWith(".");
    }
}
