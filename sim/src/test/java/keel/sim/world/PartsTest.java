package keel.sim.world;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.stream.IntStream;
import keel.sim.chance.Chance;
import org.hipparchus.distribution.continuous.WeibullDistribution;
import org.hipparchus.stat.inference.KolmogorovSmirnovTest;
import org.junit.jupiter.api.Test;

/**
 * How long simulated parts last, against the Weibull distributions that their parameters name; and what wears them
 * faster.
 */
class PartsTest {

    private static final Parameters A = Parameters.shipped("shop-a");
    private static final Cells CELLS = Cells.of(144, 81);
    private static final int[] ALL = IntStream.range(0, CELLS.count()).toArray();

    @Test
    void filmsThatPrintCleanlyArePiercedAtWeibullAges() {
        double[] lives = IntStream.range(0, 400)
                .mapToDouble(i -> hoursUntilPierced(i, 1))
                .toArray();
        assertThat(fit(lives, A.film().pierceShape(), A.film().pierceScaleH())).isGreaterThan(0.001);
        assertThat(fit(lives, A.film().pierceShape(), 1.2 * A.film().pierceScaleH()))
                .as("the test can fail")
                .isLessThan(0.001);
    }

    @Test
    void aBurrWearsAFilmAsManyTimesFasterAsTheParametersSay() {
        double clean = IntStream.range(0, 400)
                .mapToDouble(i -> hoursUntilPierced(i, 1))
                .average()
                .orElseThrow();
        double burr = IntStream.range(0, 400)
                .mapToDouble(i -> hoursUntilPierced(i, A.film().burrFactor()))
                .average()
                .orElseThrow();
        assertThat(clean / burr).isCloseTo(A.film().burrFactor(), within(0.02));
    }

    @Test
    void screensShowTheirFirstDarkSpotAtWeibullUvHoursAndSoonerInHeat() {
        double[] lives = IntStream.range(0, 400)
                .mapToDouble(i -> uvHoursUntilDark(i, 24))
                .toArray();
        assertThat(fit(lives, A.screen().darkShape(), A.screen().darkScaleH())).isGreaterThan(0.001);
        double hot = IntStream.range(0, 400)
                .mapToDouble(i -> uvHoursUntilDark(i, 34))
                .average()
                .orElseThrow();
        double cool = Arrays.stream(lives).average().orElseThrow();
        assertThat(cool / hot).isCloseTo(Math.exp(10 * A.screen().heatPerK()), within(0.02));
    }

    @Test
    void aFilmCloudsWhereItIsUsedAndNowhereElse() {
        Film film = film(7);
        int[] left = CELLS.under(0, 0, 70, 81);
        film.print(left, 300, 80, 130_000, 1);
        assertThat(film.transmittance(left[0])).isLessThan(0.9 * film.clearTransmittance());
        assertThat(film.transmittance(CELLS.count() - 1)).isEqualTo(film.clearTransmittance());
        assertThat(film.tightness()).isLessThan(1.2).isGreaterThan(0.6);
    }

    @Test
    void resinOnAScreenCanBeWipedUntilLightHasFallenOnIt() {
        Screen screen = new Screen(CELLS, A.screen(), Chance.of(4));
        screen.wetAt(100, 8);
        assertThat(screen.blocked(100)).isFalse();
        screen.wipe();
        assertThat(screen.resinAnywhere()).isFalse();
        screen.wetAt(100, 8);
        screen.cure(ALL);
        screen.wipe();
        assertThat(screen.blocked(100)).isTrue();
        assertThat(screen.resinCured()).isTrue();
    }

    @Test
    void aFadingLightHalvesWhereItsTimeConstantSays() {
        Light light = new Light(CELLS, new Parameters.Lights(1000, 0, 1e12), 0, Chance.of(1));
        light.burn(1000 * Math.log(2));
        assertThat(light.power(17)).isCloseTo(0.5, within(1e-9));
        assertThat(light.power(ALL)).isCloseTo(0.5, within(1e-9));
    }

    private static double hoursUntilPierced(int number, double wearFactor) {
        Film film = film(number);
        while (!film.pierced()) {
            film.print(ALL, 0.5, 0.1, 200, wearFactor);
        }
        return film.hours() - 0.25;
    }

    private static Film film(int number) {
        return new Film(CELLS, A.film(), false, false, false, Chance.of(77).stream("film", number));
    }

    private static double uvHoursUntilDark(int number, double temperatureC) {
        Screen screen = new Screen(CELLS, A.screen(), Chance.of(78).stream("screen", number));
        while (screen.spots().stream().allMatch(Screen.Spot::lit)) {
            screen.light(0.5, temperatureC);
        }
        return screen.uvHours() - 0.25;
    }

    private static double fit(double[] lives, double shape, double scale) {
        return new KolmogorovSmirnovTest().kolmogorovSmirnovTest(new WeibullDistribution(shape, scale), lives, false);
    }
}
