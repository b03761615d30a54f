package keel.core.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class TimeBetweenTest {

    /** NIST/SEMATECH e-Handbook 8.4.5.1: 2 failures in 800 hours, 90 %: 400, between 127 and 2251; from memory. */
    @Test
    void agreesWithTheHandbooksExample() {
        TimeBetween t = TimeBetween.of(2, 800, 0.9);
        assertThat(t.mean()).isEqualTo(400);
        assertThat(t.low()).isCloseTo(127, within(0.5));
        assertThat(t.high()).isCloseTo(2251, within(0.5));
    }

    @Test
    void withoutFailuresOnlyTheLeastIsKnown() {
        TimeBetween t = TimeBetween.of(0, 300);
        assertThat(t.low()).as("300 / -ln 0.025").isCloseTo(300 / 3.688879, within(1e-3));
        assertThat(t.high()).isInfinite();
        assertThat(t.mean()).isInfinite();
    }

    @Test
    void hoursHaveToBeMoreThanNone() {
        assertThatThrownBy(() -> TimeBetween.of(1, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> TimeBetween.of(-1, 5)).isInstanceOf(IllegalArgumentException.class);
    }
}
