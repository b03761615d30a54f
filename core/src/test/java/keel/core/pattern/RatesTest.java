package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Pump failures of Gaver and O'Muircheartaigh (Technometrics 29, 1987), limits of Garwood (Biometrika 28, 1936), the
 * fifteen p-values of Benjamini and Hochberg (1995). Small cases recomputed by hand.
 */
class RatesTest {

    private static final double[] EVENTS = {5, 1, 5, 14, 3, 19, 1, 1, 4, 22};
    private static final double[] EXPOSURE = {94.3, 15.7, 62.9, 126, 5.24, 31.4, 1.05, 1.05, 2.1, 10.5};

    @Test
    void pumpsShareAGammaPrior() {
        Rates pumps = Rates.of(groups(EVENTS, EXPOSURE), 0.1);
        assertThat(pumps.prior()).hasValueSatisfying(g -> {
            assertThat(g.alpha()).isCloseTo(0.82297, within(2e-5));
            assertThat(g.beta()).isCloseTo(1.26165, within(3e-5));
        });
        assertThat(pumps.groups().get(0).shrunk()).isCloseTo(0.0609, within(5e-5));
        assertThat(pumps.groups().get(9).shrunk()).isCloseTo(1.9405, within(5e-5));
    }

    @Test
    void exactChancesAgainstTheRest() {
        List<Rates.Group> pumps = Rates.of(groups(EVENTS, EXPOSURE), 0.1).groups();
        assertThat(pumps.get(3).p()).isCloseTo(0.0015777, within(5e-8));
        assertThat(pumps.get(0).p()).isCloseTo(1.925e-5, within(5e-9));
        assertThat(pumps.get(2).adjusted()).isCloseTo(0.015999, within(5e-7));
        assertThat(pumps.get(0).standsOut()).isTrue();
        assertThat(pumps.get(1).standsOut()).isFalse();
        assertThat(pumps.get(9).standsOut()).isTrue();
    }

    @Test
    void exactLimitsOfARate() {
        Rates.Group ten =
                Rates.of(List.of(new Rates.Counted("a", 10, 1)), 0.1).groups().get(0);
        assertThat(ten.low()).isCloseTo(4.795, within(5e-4));
        assertThat(ten.high()).isCloseTo(18.390, within(5e-4));
        Rates.Group none =
                Rates.of(List.of(new Rates.Counted("a", 0, 30)), 0.1).groups().get(0);
        assertThat(none.low()).isZero();
        assertThat(none.high()).isCloseTo(0.12296, within(5e-6));
        assertThat(none.shrunk()).isZero();
    }

    /** Score ½Σ((s − μt)² − s) of −9 and +21: no prior, and one. */
    @Test
    void groupsThatDifferNoMoreThanChanceHaveNoPrior() {
        Rates even = Rates.of(groups(new double[] {4, 5, 6, 5}, new double[] {50, 50, 50, 50}), 0.1);
        assertThat(even.prior()).isEmpty();
        assertThat(even.groups()).allSatisfy(g -> assertThat(g.shrunk()).isCloseTo(0.1, within(1e-12)));
        Rates uneven = Rates.of(groups(new double[] {1, 12, 4, 7}, new double[] {50, 50, 50, 50}), 0.1);
        assertThat(uneven.prior()).hasValueSatisfying(g -> {
            assertThat(g.alpha()).isCloseTo(2.68737, within(5e-5));
            assertThat(g.beta()).isCloseTo(22.3946, within(5e-4));
        });
        double[] shrunk = {0.050934, 0.202879, 0.092374, 0.133813};
        for (int i = 0; i < shrunk.length; i++) {
            assertThat(uneven.groups().get(i).shrunk()).isCloseTo(shrunk[i], within(1e-6));
        }
    }

    @Test
    void twoGroupsAndNoEventsHaveNoPriorEither() {
        assertThat(Rates.of(groups(new double[] {1, 40}, new double[] {50, 50}), 0.1)
                        .prior())
                .isEmpty();
        Rates none = Rates.of(groups(new double[] {0, 0, 0}, new double[] {5, 6, 7}), 0.1);
        assertThat(none.prior()).isEmpty();
        assertThat(none.groups()).allSatisfy(g -> {
            assertThat(g.shrunk()).isZero();
            assertThat(g.p()).isEqualTo(1);
            assertThat(g.standsOut()).isFalse();
        });
    }

    @Test
    void amongFifteenTheFirstFourStandOut() {
        double[] p = {
            0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.3240, 0.4262, 0.5719, 0.6528,
            0.7590, 1.0
        };
        boolean[] out = StandsOut.among(p, 0.05);
        assertThat(Arrays.copyOf(out, 5)).containsExactly(true, true, true, true, false);
    }

    /** Two groups that could never reach their part of the level do not cost the third its own. */
    @Test
    void whatCannotReachSignificanceIsLeftAside() {
        double[] p = {0.04, 1, 1};
        assertThat(StandsOut.among(p, new double[] {0.001, 0.5, 0.6}, 0.05)).containsExactly(true, false, false);
        assertThat(StandsOut.among(p, new double[] {0.001, 0.001, 0.001}, 0.05)).containsExactly(false, false, false);
    }

    @Test
    void anExposureOfNothingIsNone() {
        assertThatThrownBy(() -> new Rates.Counted("a", 1, 0)).hasMessageContaining("more than 0");
        assertThatThrownBy(() -> new Rates.Counted("a", -1, 5)).hasMessageContaining("0 or more");
        assertThatThrownBy(() -> Rates.of(List.of(), 0.1)).hasMessageContaining("no group");
    }

    private static List<Rates.Counted> groups(double[] events, double[] exposure) {
        List<Rates.Counted> groups = new ArrayList<>();
        for (int i = 0; i < events.length; i++) {
            groups.add(new Rates.Counted("" + (i + 1), (long) events[i], exposure[i]));
        }
        return groups;
    }
}
