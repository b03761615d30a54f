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
    void whatEndedBeforeItWasUsedEndedInItsFirstHour() {
        KindOfLife life =
                KindOfLife.of(List.of(lived(0, 0, 0, "DENTED"), lived(300, 90, 4, null)), USUAL, LifeClock.HOURS);
        assertThat(life.lives()).isEqualTo(2);
        assertThat(life.ends()).isEqualTo(1);
    }

    /** Nobody knows how long it was in use before: its end tells that it lasted longer, no more. */
    @Test
    void whatIsNotKnownWhollyOnlyLastedSoLong() {
        Lived unknown = new Lived(new Usage(200, 60, 9, 3, 0), "CLOUDED", false, false);
        KindOfLife life = KindOfLife.of(List.of(unknown), USUAL, LifeClock.HOURS);
        assertThat(life.ends()).isZero();
        assertThat(life.lives()).isEqualTo(1);
        assertThat(unknown.whateverEndedIt().endedByItself()).isFalse();
        assertThat(lived(10, 3, 4, "PLANNED").whateverEndedIt().endedByItself()).isTrue();
    }

    @Test
    void oneRuleSaysWhenTheyAreChanged() {
        PartLife usual = PartLife.usual(USUAL, LifeClock.HOURS, 1, 400);
        CheapestAge signs = new CheapestAge(Double.POSITIVE_INFINITY, LifeClock.HOURS, CheapestAge.Which.SIGNS);
        assertThat(ChangeRule.of(ChangeSchool.RECORDS, true, signs, usual).bySigns())
                .isTrue();
        assertThat(ChangeRule.of(ChangeSchool.RECORDS, false, null, usual).at()).isEqualTo(400);
        assertThat(ChangeRule.of(ChangeSchool.FIXED_AGE, true, signs, usual).why())
                .isEqualTo(ChangeRule.Why.CHOSEN_AGE);
        assertThat(ChangeRule.of(ChangeSchool.SIGNS, true, signs, usual).bySigns())
                .isTrue();
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
