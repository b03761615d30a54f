package keel.core.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class RateRatioTest {

    /**
     * The worked example of R's poisson.test, 11 in 800 against 21 in 3011: ratio 1.9715, 0.8584 to 4.2773; from
     * memory.
     */
    @Test
    void theExactIntervalIsThatOfTheReference() {
        RateRatio r = RateRatio.of(11, 800, 21, 3011);
        assertThat(r.ratio()).isCloseTo(1.971488, within(1e-6));
        assertThat(r.low()).isCloseTo(0.8584264, within(1e-4));
        assertThat(r.high()).isCloseTo(4.2772659, within(1e-4));
        assertThat(r.differs()).isFalse();
    }

    @Test
    void noEventsLeaveTheIntervalOpen() {
        assertThat(RateRatio.of(0, 100, 5, 100).low()).isZero();
        assertThat(RateRatio.of(5, 100, 0, 100).high()).isInfinite();
        assertThat(RateRatio.of(0, 100, 0, 100).ratio()).isNaN();
        assertThat(RateRatio.of(30, 100, 5, 100).differs()).isTrue();
        assertThatIllegalArgumentException().isThrownBy(() -> RateRatio.of(-1, 100, 5, 100));
        assertThatIllegalArgumentException().isThrownBy(() -> RateRatio.of(1, 0, 5, 100));
    }
}
