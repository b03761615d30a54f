package keel.core.light;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import keel.core.light.ExposureForLight.Sense;
import keel.core.light.LightAgeing.Point;
import org.junit.jupiter.api.Test;

class LightAgeingTest {

    /** NIST StRD, linear regression, Norris (y, x). */
    private static final double[] NORRIS = {
        0.1, 0.2, 338.8, 337.4, 118.1, 118.2, 888.0, 884.6, 9.2, 10.1, 228.1, 226.5, 668.5, 666.3, 998.5, 996.3, 449.1,
        448.6, 778.9, 777.0, 559.2, 558.2, 0.3, 0.4, 0.1, 0.6, 778.1, 775.5, 668.8, 666.9, 339.3, 338.0, 448.9, 447.5,
        10.8, 11.6, 557.7, 556.0, 228.3, 228.1, 998.0, 995.8, 888.8, 887.6, 119.6, 120.2, 0.3, 0.3, 0.6, 0.3, 557.6,
        556.8, 339.3, 339.1, 888.0, 887.2, 998.5, 999.0, 778.9, 779.0, 10.2, 11.1, 117.6, 118.3, 228.9, 229.2, 668.4,
        669.1, 449.2, 448.9, 0.2, 0.5
    };

    /**
     * The line is NIST's certified one, on the logarithm: slope 1.00211681802045, its error 0.429796848199937E-03.
     * First pair is as certified: y 0.1, x 0.2.
     */
    @Test
    void theFitIsTheCertifiedLine() {
        List<Point> points = new ArrayList<>();
        points.add(new Point(0.2, Math.exp(0.1 / 1000)));
        points.add(new Point(337.4, Math.exp(338.8 / 1000)));
        points.add(new Point(118.2, Math.exp(118.1 / 1000)));
        for (int i = 6; i < NORRIS.length; i += 2) {
            points.add(new Point(NORRIS[i + 1], Math.exp(NORRIS[i] / 1000)));
        }
        LightAgeing fit = LightAgeing.of(points).orElseThrow();
        assertThat(-1000 * fit.perHour()).isCloseTo(1.00211681802045, within(2e-3));
        assertThat(1000 * fit.spread()).isCloseTo(0.000429796848199937, within(2e-5));
    }

    /** IES TM-21 (from memory): L80 = ln(B/0.8)/α. With B = 1 and α = 2e-4 it is 1115.7 h. */
    @Test
    void itSaysWhenFourFifthsAreLeft() {
        List<Point> points = new ArrayList<>();
        for (int h = 0; h <= 600; h += 100) {
            points.add(new Point(h, 3 * Math.exp(-2e-4 * h)));
        }
        LightAgeing fit = LightAgeing.of(points).orElseThrow();
        assertThat(fit.perHour()).isCloseTo(2e-4, within(1e-12));
        assertThat(fit.startsWith()).isCloseTo(3, within(1e-9));
        assertThat(fit.reaches(0.8).orElseThrow()).isCloseTo(1115.7, within(0.1));
        assertThat(fit.lostIn(100)).isCloseTo(0.0198, within(1e-4));
        assertThat(fit.reaches(0.4)).as("4581 h lie beyond six times 600").isEmpty();
    }

    @Test
    void tooFewMapsOrNoFadingSayNothing() {
        assertThat(LightAgeing.of(List.of(new Point(0, 3), new Point(100, 2.9))))
                .isEmpty();
        assertThat(LightAgeing.of(List.of(new Point(5, 3), new Point(5, 2.9), new Point(5, 2.8))))
                .as("all of the same hours")
                .isEmpty();
        LightAgeing flat = LightAgeing.of(
                        List.of(new Point(0, 3), new Point(100, 3.03), new Point(200, 2.98), new Point(300, 3.01)))
                .orElseThrow();
        assertThat(flat.fades()).isFalse();
        assertThat(flat.reaches(0.8)).isEmpty();
    }

    private static UvMap map(double light, double dimmest) {
        List<UvMap.Reading> readings = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            readings.add(new UvMap.Reading((i % 3 + 0.5) * 48, (i / 3 + 0.5) * 27, i == 0 ? light * dimmest : light));
        }
        return UvMap.of(readings, 144, 81);
    }

    /** Dose is what counts: 2.3 s at 3.2 mW/cm² are 7.36 mJ/cm², as are 2.56 s at 2.875 (Jacobs 1992, ch. 4). */
    @Test
    void theExposureGivesTheOldDose() {
        ExposureForLight e = ExposureForLight.of(2.3, 3.2, map(2.875, 1), true);
        assertThat(e.exposureS()).isCloseTo(2.56, within(1e-3));
        assertThat(e.exposureS() * 2.875).isCloseTo(2.3 * 3.2, within(1e-9));
        assertThat(e.sense()).isEqualTo(Sense.HELPS);
        assertThat(e.words().get(1)).contains("its life in prints shrinks by 10 %");
        assertThat(ExposureForLight.of(2.3, 3.2, map(2.875, 1), false).words())
                .as("a projector has no screen to spare")
                .hasSize(1);
    }

    @Test
    void withinScatterNothingIsChangedAndBeyondTheLimitItOnlyCostsTheScreen() {
        assertThat(ExposureForLight.of(2.3, 3.2, map(3.15, 1), true).sense()).isEqualTo(Sense.NONE_NEEDED);
        ExposureForLight weak = ExposureForLight.of(2.3, 3.2, map(2.2, 1), true);
        assertThat(weak.sense()).isEqualTo(Sense.ONLY_COSTS_SCREEN);
        assertThat(weak.words().get(0)).contains("only shortens the screen's life");
        assertThat(ExposureForLight.of(2.3, 3.2, map(3.2, 0.6), true).words())
                .anyMatch(w -> w.contains("No exposure evens it out"));
        assertThatIllegalArgumentException().isThrownBy(() -> ExposureForLight.of(0, 3.2, map(3, 1), true));
    }
}
