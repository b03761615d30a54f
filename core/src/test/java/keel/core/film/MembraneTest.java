package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/**
 * Against Kinsler et al., Fundamentals of Acoustics, ch. 4, and against values recomputed on a grid of 120 cells a
 * side.
 */
class MembraneTest {

    private static final double LENGTH = 130;
    private static final double WIDTH = 80;
    private static final double THICK = 0.127;

    @Test
    void theToneOfAWindowOf130By80IsThreeHundredHertzAtTheTensionsWorkedOutBeforehand() {
        assertThat(Membrane.ofFep(LENGTH, WIDTH, THICK, 456.3).toneInVacuumHz(1, 1))
                .isCloseTo(300, within(0.1));
        assertThat(Membrane.ofFep(LENGTH, WIDTH, THICK, 621.6).toneHz(1, 1)).isCloseTo(300, within(0.2));
    }

    @Test
    void theAirWeighsAsMuchAsTheIntegralGivesOnAGrid() {
        assertThat(AirLoad.perSide(1, 1, 0.130, 0.080)).isCloseTo(0.0495, within(0.0001));
        assertThat(AirLoad.perSide(2, 1, 0.130, 0.080)).isCloseTo(0.0250, within(0.0001));
        assertThat(AirLoad.perSide(1, 2, 0.130, 0.080)).isCloseTo(0.0191, within(0.0001));
    }

    /** A square membrane in vacuum: f21/f11 = √2.5 (Kinsler et al., table of normal modes). */
    @Test
    void theSecondModeOfASquareIsHigherByTheRootOfTwoAndAHalf() {
        Membrane square = Membrane.ofFep(100, 100, THICK, 500);
        assertThat(square.toneInVacuumHz(2, 1) / square.toneInVacuumHz(1, 1)).isCloseTo(1.5811, within(1e-4));
        assertThat(square.toneHz(2, 1)).isEqualTo(square.toneHz(1, 2), within(1e-6));
    }

    @Test
    void fourTimesTheTensionIsAnOctaveHigherWithAirOrWithout() {
        Membrane loose = Membrane.ofFep(LENGTH, WIDTH, THICK, 150);
        Membrane tight = Membrane.ofFep(LENGTH, WIDTH, THICK, 600);
        assertThat(tight.toneHz(1, 1) / loose.toneHz(1, 1)).isCloseTo(2, within(1e-9));
        assertThat(tight.toneInVacuumHz(1, 1)).isGreaterThan(tight.toneHz(1, 1));
    }

    @Test
    void nothingIsComputedFromNothing() {
        assertThatThrownBy(() -> Membrane.ofFep(0, WIDTH, THICK, 500)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Membrane.ofFep(LENGTH, WIDTH, THICK, Double.NaN))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
