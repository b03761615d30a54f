package keel.core.round;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Random;
import keel.core.round.UpkeepDue.InDays;
import keel.core.round.UpkeepDue.Pace;
import keel.core.wear.Usage;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class UpkeepDueTest {

    private static final ZoneId ZONE = ZoneId.of("Europe/Amsterdam");
    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");
    private static final Instant TEN_DAYS_AGO = NOW.minusSeconds(864_000);

    private static UpkeepTrigger hours(double hours, @Nullable Double days) {
        return new UpkeepTrigger(hours, null, null, null, days, null);
    }

    /** 400 h in 100 prints of 40 ml, 8 h a day: two prints a day. */
    private static Pace pace(double hours, long prints) {
        return new Pace(
                TEN_DAYS_AGO,
                new Usage(hours, hours / 3, 0, prints, 40.0 * prints),
                new Usage(400, 130, 0, 100, 4000),
                8);
    }

    private static UpkeepDue of(UpkeepTrigger trigger, Pace pace) {
        return UpkeepDue.of(trigger, pace, NOW, ZONE);
    }

    /**
     * The law with mean 1 and shape 1 has Φ(0) + e²·Φ(−2) = 0.5 + 7.3890561 · 0.0227501 = 0.6681020 by 1 (normal
     * table); its mode, by theory, lies at √(1 + 9/4) − 3/2.
     */
    @Test
    void theFirstPassageIsInverseGaussian() {
        assertThat(UpkeepDue.passed(1, 1, 1)).isCloseTo(0.6681020, within(1e-6));
        assertThat(UpkeepDue.passed(0, 1, 1)).isZero();
        assertThat(UpkeepDue.passed(1e6, 1, 1)).isCloseTo(1, within(1e-6));
        double mode = Math.sqrt(1 + 9 / 4.0) - 1.5;
        double step = 0.01;
        double at = UpkeepDue.passed(mode + step, 1, 1) - UpkeepDue.passed(mode - step, 1, 1);
        assertThat(at)
                .isGreaterThan(UpkeepDue.passed(mode + 3 * step, 1, 1) - UpkeepDue.passed(mode + step, 1, 1))
                .isGreaterThan(UpkeepDue.passed(mode - step, 1, 1) - UpkeepDue.passed(mode - 3 * step, 1, 1));
    }

    /** A shop of chance: two prints a day, of 4 h on average with as much spread, 100 h to go. */
    @Test
    void theSpreadIsThatOfPrintsThatComeByChance() {
        InDays told = of(hours(100, null), pace(0, 0)).inDays();
        assertThat(told).isNotNull();
        Random random = new Random(5);
        double[] days = new double[20_000];
        for (int n = 0; n < days.length; n++) {
            double left = 100;
            while (left > 0) {
                days[n] += -Math.log(1 - random.nextDouble()) / 2;
                left += 4 * Math.log(1 - random.nextDouble());
            }
        }
        Arrays.sort(days);
        assertThat(told.median()).isCloseTo(days[10_000], within(0.4));
        assertThat(told.low()).isCloseTo(days[1_000], within(0.6));
        assertThat(told.high()).isCloseTo(days[19_000], within(0.7));
    }

    @Test
    void theEarliestTriggerDecides() {
        UpkeepDue byUse = of(hours(100, 90.0), pace(80, 20));
        assertThat(byUse.text()).isEqualTo("80 of 100 h");
        assertThat(byUse.share()).isCloseTo(0.8, within(1e-12));
        assertThat(byUse.due()).isFalse();
        UpkeepDue byDays = of(hours(100, 12.0), pace(10, 2));
        assertThat(byDays.text()).isEqualTo("10 of 12 days");
        assertThat(byDays.inDays()).isEqualTo(new InDays(2, 2, 2));
        assertThat(of(hours(100, 90.0), pace(104, 26)).due()).isTrue();
        assertThat(of(hours(100, 10.0), pace(0, 0)).due()).isTrue();
    }

    @Test
    void printsLitresAndUvHoursCountToo() {
        UpkeepTrigger prints = new UpkeepTrigger(null, null, 50.0, null, null, null);
        assertThat(of(prints, pace(80, 46)).text()).isEqualTo("46 of 50 prints");
        UpkeepTrigger litres = new UpkeepTrigger(null, null, null, 2.0, null, null);
        assertThat(of(litres, pace(80, 46)).share()).isCloseTo(0.92, within(1e-12));
        UpkeepTrigger uv = new UpkeepTrigger(null, 40.0, null, null, null, null);
        assertThat(of(uv, pace(120, 46)).due()).isTrue();
    }

    /** A machine that does not print, or never printed, has no day; it is not due today. */
    @Test
    void whatNothingIsKnownOfHasNoDay() {
        UpkeepDue still = of(hours(100, null), new Pace(TEN_DAYS_AGO, Usage.NONE, Usage.NONE, 0));
        assertThat(still.inDays()).isNull();
        assertThat(still.due()).isFalse();
        UpkeepDue never = of(hours(100, null), new Pace(TEN_DAYS_AGO, Usage.NONE, new Usage(400, 0, 0, 100, 0), 0));
        assertThat(never.inDays()).isNull();
    }

    @Test
    void aDayOfTheCalendarComesOnce() {
        UpkeepTrigger day = new UpkeepTrigger(null, null, null, null, null, LocalDate.of(2026, 3, 5));
        UpkeepDue ahead = of(day, pace(0, 0));
        assertThat(ahead.due()).isFalse();
        assertThat(ahead.inDays()).isNotNull();
        assertThat(ahead.inDays().median()).isCloseTo(2 + 14.0 / 24, within(1e-9));
        UpkeepTrigger gone = new UpkeepTrigger(null, null, null, null, null, LocalDate.of(2026, 3, 1));
        assertThat(of(gone, pace(0, 0)).due()).isTrue();
        UpkeepDue done = of(gone, Pace.ofTime(NOW.minusSeconds(3600)));
        assertThat(done.due()).isFalse();
        assertThat(done.inDays()).isNull();
    }
}
