package keel.core.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** The delay-time model (Christer and Waller 1984), recomputed numerically from its formulas. */
class LookIntervalTest {

    private static final LookInterval SURE = new LookInterval(1 / 200.0, 1 / 40.0, 1.5, 10, 60, 1);
    private static final LookInterval SEVEN_IN_TEN = new LookInterval(1 / 200.0, 1 / 40.0, 1.5, 10, 60, 0.7);

    @Test
    void theCheapestInterval() {
        assertThat(SURE.hours()).isCloseTo(27.3295, within(1e-3));
        assertThat(SURE.cost(SURE.hours())).isCloseTo(0.173755, within(1e-6));
        assertThat(SEVEN_IN_TEN.hours()).isCloseTo(24.3898, within(1e-3));
        assertThat(SEVEN_IN_TEN.cost(SEVEN_IN_TEN.hours())).isCloseTo(0.204956, within(1e-6));
        assertThat(SURE.withoutLooks()).isCloseTo(0.30, within(1e-12));
    }

    @Test
    void shareFoundInTime() {
        assertThat(SEVEN_IN_TEN.foundInTime(20)).isCloseTo(0.67339, within(1e-5));
        assertThat(SURE.foundInTime(1e-6)).as("looking all the time").isCloseTo(1, within(1e-6));
        assertThat(SURE.foundInTime(1e6)).as("hardly ever").isLessThan(1e-4);
    }

    @Test
    void looksThatCostMoreThanTheySaveAreNotWorthIt() {
        assertThat(new LookInterval(1 / 200.0, 1 / 40.0, 200, 10, 60, 1).hours())
                .isInfinite();
    }
}
