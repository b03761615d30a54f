package keel.core.air;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Hours of fans and the trend of change rates, reckoned by hand. */
class UpkeepTest {

    private static final Instant START = Instant.parse("2026-03-01T08:00:00Z");

    private static Instant at(double hour) {
        return START.plus(Duration.ofMinutes(Math.round(hour * 60)));
    }

    @Test
    void aFanRunsBetweenOnAndOff() {
        FanLog log = new FanLog(List.of(
                new FanLog.Switch(at(0), true),
                new FanLog.Switch(at(2), false),
                new FanLog.Switch(at(3), false),
                new FanLog.Switch(at(10), true)));
        assertThat(log.hours(at(-5), at(12))).isCloseTo(4, within(1e-9));
        assertThat(log.hours(at(1), at(12))).as("since an hour in").isCloseTo(3, within(1e-9));
        assertThat(log.hours(at(1), at(1.5))).isCloseTo(0.5, within(1e-9));
        assertThat(log.hours(at(4), at(9))).isZero();
        assertThat(new FanLog(List.of()).hours(at(0), at(5))).isZero();
    }

    @Test
    void aRateThatFallsByAQuarterIsSaidUntilTheMeshIsClean() {
        List<RateTrend.Rate> rates = new ArrayList<>();
        for (int i = 0; i < 5; i++) {
            rates.add(new RateTrend.Rate(at(i), 4 + 0.1 * i));
        }
        for (int i = 5; i < 9; i++) {
            rates.add(new RateTrend.Rate(at(i), 3.1));
        }
        assertThat(RateTrend.of(rates, START))
                .as("nine are too few to compare five with five")
                .isEqualTo(new RateTrend(3.1, null));
        rates.add(new RateTrend.Rate(at(9), 3.0));
        assertThat(RateTrend.of(rates, START).before()).isEqualTo(4.2);
        assertThat(RateTrend.of(rates, START).slower())
                .as("3.1 is less than 0.75 of 4.2")
                .isTrue();
        assertThat(RateTrend.of(rates, at(9.5)).slower())
                .as("cleaned since, nothing is known of it")
                .isFalse();
        for (int i = 10; i < 15; i++) {
            rates.add(new RateTrend.Rate(at(i), 3.9));
        }
        assertThat(RateTrend.of(rates, at(9.5))).isEqualTo(new RateTrend(3.9, 4.2));
        assertThat(RateTrend.of(List.of(), START)).isEqualTo(new RateTrend(null, null));
    }
}
