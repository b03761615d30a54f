package keel.core.life;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import keel.core.wear.Usage;
import keel.core.wear.WeibullLife;
import org.junit.jupiter.api.Test;

/** Which ends count and which come with use is common practice, no source. */
class KindOfLifeTest {

    private static final WeibullLife USUAL = new WeibullLife(2, 450);

    @Test
    void whatWasNeverUsedSaysNothing() {
        KindOfLife none = KindOfLife.of(List.of(lived(0, 0, 0, null)), USUAL, LifeClock.HOURS);
        assertThat(none.lives()).isZero();
        assertThat(none.fit().scale()).isCloseTo(450, within(2.0));
        assertThat(none.clockPerHour()).isEqualTo(1);
        assertThat(none.ways()).isNull();
        assertThat(none.known()).isFalse();
    }

    @Test
    void whatIsUsualIsBroughtToTheClockThatIsChosen() {
        List<Lived> parts = new ArrayList<>();
        double[] peels = {98, 100, 101, 99, 102, 100.5};
        for (int i = 0; i < peels.length; i++) {
            parts.add(lived(100 + 120 * i, 30 + 50 * i, peels[i], "CLOUDED"));
        }
        KindOfLife life = KindOfLife.of(parts, USUAL, LifeClock.HOURS);
        assertThat(life.clock()).isEqualTo(LifeClock.PEELS);
        assertThat(life.chosen()).isTrue();
        assertThat(life.clockPerHour()).as("600.5 thousand peels in 2400 h").isCloseTo(600.5 / 2400, within(1e-12));
        assertThat(life.fit().scale()).isBetween(95.0, 115.0);
        assertThat(life.ways().worn()).isEqualTo(6);
        assertThat(life.ways().halfByWear()).isLessThan(life.ways().halfByAccident());
    }

    @Test
    void plannedChangesGoOnAndAccidentsAreNotWear() {
        assertThat(lived(10, 3, 4, "PLANNED").endedByItself()).isFalse();
        assertThat(lived(10, 3, 4, null).endedByItself()).isFalse();
        assertThat(lived(10, 3, 4, "PIERCED")).matches(Lived::endedByItself).matches(l -> !l.worn());
        assertThat(lived(10, 3, 4, "DARK_PIXELS")).matches(Lived::worn);
        KindOfLife life = KindOfLife.of(
                List.of(lived(10, 3, 4, "PIERCED"), lived(300, 90, 120, "PLANNED"), lived(50, 15, 20, null)),
                USUAL,
                LifeClock.HOURS);
        assertThat(life.ends()).isEqualTo(1);
        assertThat(life.lives()).isEqualTo(3);
        assertThat(life.chosen()).isFalse();
        assertThat(life.ways().accidents()).isEqualTo(1);
    }

    private static Lived lived(double hours, double uvHours, double thousandPeels, String endReason) {
        return new Lived(new Usage(hours, uvHours, Math.round(1000 * thousandPeels), 0, 0), endReason, false);
    }
}
