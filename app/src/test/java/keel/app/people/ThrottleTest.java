package keel.app.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.List;
import java.util.concurrent.atomic.AtomicLong;
import keel.app.support.AtOnce;
import org.junit.jupiter.api.Test;

class ThrottleTest {

    private final AtomicLong nanos = new AtomicLong();
    private final Throttle throttle = new Throttle(nanos::get);

    private void pass(Duration time) {
        nanos.addAndGet(time.toNanos());
    }

    /** Sixty wrong passwords at the same moment are as many tries as sixty in a row. */
    @Test
    void whatComesAtTheSameMomentIsCountedBeforeItIsLookedAt() throws InterruptedException {
        List<Object> answers = AtOnce.times(30, () -> throttle.takes("keeper", "10.0.0.1"));
        assertThat(answers.stream().filter(Boolean.TRUE::equals)).hasSize(5);
        assertThat(throttle.takes("operator", "10.0.0.1")).as("somebody else").isTrue();
        assertThat(throttle.takes("keeper", "10.0.0.2")).as("another device").isTrue();
    }

    @Test
    void theWaitGrowsAndTheRightOneEndsIt() {
        for (int i = 0; i < 5; i++) {
            assertThat(throttle.takes("keeper", "a")).isTrue();
        }
        for (int minutes : new int[] {1, 2, 4, 8, 16, 32, 64, 64}) {
            assertThat(throttle.wait("keeper", "a")).isEqualTo(Duration.ofMinutes(minutes));
            pass(Duration.ofMinutes(minutes).minusSeconds(1));
            assertThat(throttle.takes("keeper", "a")).isFalse();
            pass(Duration.ofSeconds(1));
            assertThat(throttle.takes("keeper", "a")).isTrue();
        }
        throttle.right("keeper", "a");
        assertThat(throttle.wait("keeper", "a")).isZero();
        assertThat(throttle.takes("keeper", "a")).isTrue();
    }

    @Test
    void oneDeviceDoesNotGoThroughAllNames() {
        long tried = java.util.stream.IntStream.range(0, 500)
                .filter(i -> throttle.takes("name" + i, "10.0.0.3"))
                .count();
        assertThat(tried).isBetween(40L, 41L);
    }
}
