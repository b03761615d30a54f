package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class RepeatedTest {

    /**
     * JCGM 100:2008, 4.4.3, figure 2 and table 1 (from memory): twenty temperatures, mean 100.14 °C, standard
     * uncertainty of the mean 0.33 °C.
     */
    @Test
    void scatterOfTheMeanIsThatOfTheGuide() {
        List<Double> readings = List.of(
                96.90, 98.18, 98.25, 98.61, 99.03, 99.49, 99.56, 99.74, 99.89, 100.07, 100.33, 100.42, 100.68, 100.95,
                101.11, 101.20, 101.57, 101.84, 102.36, 102.72);
        Repeated r = Repeated.of(readings, 0);
        assertThat(r.mean()).isCloseTo(100.145, within(0.001));
        assertThat(r.uncertainty()).isCloseTo(0.333, within(0.001));
    }

    @Test
    void noHandIsBetterThanItsStopwatch() {
        assertThat(Repeated.of(List.of(3.0), Repeated.STOPWATCH_S).uncertainty())
                .isEqualTo(Repeated.STOPWATCH_S);
        assertThat(Repeated.of(List.of(3.0, 3.0, 3.0, 3.0), Repeated.STOPWATCH_S)
                        .uncertainty())
                .as("four readings alike")
                .isCloseTo(Repeated.STOPWATCH_S / 2, within(1e-12));
        assertThatIllegalArgumentException().isThrownBy(() -> Repeated.of(List.of(), 0.1));
    }
}
