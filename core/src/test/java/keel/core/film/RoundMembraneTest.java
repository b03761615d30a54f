package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.hipparchus.special.BesselJ;
import org.junit.jupiter.api.Test;

/** Against DLMF 10.21 (zeros of Bessel functions), Kinsler et al. ch. 4, and a second quadrature. */
class RoundMembraneTest {

    /**
     * DLMF 10.21, Abramowitz and Stegun table 9.5: j01 = 2.40483, j11 = 3.83171; their ratio 1.5933 is f11/f01 of a
     * circle.
     */
    @Test
    void theZerosAreThoseOfTheTables() {
        assertThat(RoundMembrane.J01).isCloseTo(2.40483, within(5e-6));
        assertThat(BesselJ.value(0, RoundMembrane.J01)).isCloseTo(0, within(1e-12));
        assertThat(BesselJ.value(1, 3.83171)).isCloseTo(0, within(1e-5));
        assertThat(3.83171 / RoundMembrane.J01).isCloseTo(1.5933, within(1e-4));
    }

    /** By hand: a = 50 mm, 500 N/m over 0.27305 kg/m²: 2.404826/(2π·0.05)·√1831.2 = 327.6 Hz. */
    @Test
    void theToneOfARoundWindowInVacuum() {
        assertThat(new RoundMembrane(100, 2150 * 0.127e-3, 500).toneInVacuumHz())
                .isCloseTo(327.6, within(0.1));
    }

    /**
     * Rayleigh's double integral itself, over squares of a grid, each square's own share that of a disc of its area.
     */
    @Test
    void theAirIsThatOfTheIntegralOnAGrid() {
        int n = 48;
        double cell = 0.1 / n;
        double sum = 0;
        double squares = 0;
        double[] w = new double[n * n];
        for (int i = 0; i < n * n; i++) {
            double x = (i % n + 0.5) * cell - 0.05;
            double y = (i / n + 0.5) * cell - 0.05;
            double r = Math.hypot(x, y);
            w[i] = r < 0.05 ? BesselJ.value(0, RoundMembrane.J01 * r / 0.05) : 0;
            squares += w[i] * w[i] * cell * cell;
        }
        for (int i = 0; i < n * n; i++) {
            for (int k = 0; k < n * n && w[i] != 0; k++) {
                double distance = cell * Math.hypot(i % n - k % n, i / n - k / n);
                sum += w[i] * w[k] * cell * cell * (i == k ? 2 * Math.sqrt(Math.PI) * cell : cell * cell / distance);
            }
        }
        double onAGrid = 1.204 / (2 * Math.PI) * sum / squares;
        assertThat(new RoundMembrane(100, 0.27305, 500).airPerSide()).isCloseTo(onAGrid, within(0.01 * onAGrid));
    }

    @Test
    void aRoundFilmIsHeardWithItsOwnFormula() {
        double hz = new RoundMembrane(100, 2150 * 0.127e-3, 600).toneHz();
        assertThat(FilmTension.ofRound(hz, 100, 0.127, 2150).withAirNPerM()).isCloseTo(600, within(1e-6));
        assertThat(FilmTension.ofRound(hz, 100, 0.127, 2150).evenness()).isNull();
        assertThatIllegalArgumentException().isThrownBy(() -> new RoundMembrane(0, 1, 1));
    }
}
