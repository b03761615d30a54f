package keel.core.life;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.wear.Usage;
import keel.core.wear.WeibullLife;
import org.apache.commons.statistics.distribution.WeibullDistribution;
import org.junit.jupiter.api.Test;

/** Lives drawn from distributions of Commons Statistics; the schools' sums by hand. */
class EarlyAndWornTest {

    private static final WeibullLife USUAL = new WeibullLife(2, 450);

    /** A tenth end within the first hours, whatever is written down; the rest wears out near 400 h. */
    private static List<Life> lives(int count, long seed) {
        Random random = new Random(seed);
        WeibullDistribution worn = WeibullDistribution.of(4, 420);
        List<Life> lives = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            double age = random.nextDouble() < 0.1
                    ? 1 + 30 * random.nextDouble()
                    : worn.inverseCumulativeProbability(random.nextDouble());
            double taken = 500 * random.nextDouble() + 100;
            lives.add(new Life(Math.min(age, taken), age <= taken));
        }
        return lives;
    }

    @Test
    void earlyEndsDoNotHideThatTheRestWearsOut() {
        List<Life> lives = lives(120, 4);
        EarlyAndWorn fitted = EarlyAndWorn.fitted(lives, USUAL);
        assertThat(fitted.early().shape()).isLessThan(1);
        assertThat(fitted.endEarly()).as("a tenth of them").isCloseTo(0.1, within(0.06));
        assertThat(fitted.worn().shape()).isGreaterThan(2.5);
        assertThat(fitted.worn().scale()).isCloseTo(420, within(60.0));
        WeibullFit one = WeibullFit.bayes(lives, WeibullFit.Prior.around(USUAL));
        AgeReplacement two = AgeReplacement.of(fitted, 12, 45);
        assertThat(two.replaceAtHours()).as("an early change pays").isBetween(180.0, 340.0);
        assertThat(one.shape())
                .as("one life for all of them hardly wears out")
                .isLessThan(fitted.worn().shape());
    }

    @Test
    void withoutAnyEndItIsWhatIsUsual() {
        EarlyAndWorn none = EarlyAndWorn.fitted(List.of(), USUAL);
        assertThat(none.ageWhenFailed(0, 0.5)).isBetween(200.0, 500.0);
        assertThat(none.survival(0)).isCloseTo(1, within(1e-12));
        assertThat(none.failsWithin(100, 50)).isCloseTo(1 - none.survival(150) / none.survival(100), within(1e-9));
        assertThat(none.survival(none.ageWhenFailed(100, 0.3)) / none.survival(100))
                .isCloseTo(0.7, within(1e-6));
    }

    @Test
    void aKindOfWhichFewEndedGoesByOneLife() {
        List<Lived> parts = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            parts.add(new Lived(new Usage(200 + 30 * i, 60, 90_000, 0, 0), "CLOUDED", true));
        }
        assertThat(KindOfLife.of(parts, USUAL, LifeClock.HOURS).span()).isInstanceOf(WeibullLife.class);
        parts.add(new Lived(new Usage(330, 100, 130_000, 0, 0), "CLOUDED", true));
        assertThat(KindOfLife.of(parts, USUAL, LifeClock.HOURS).span()).isInstanceOf(EarlyAndWorn.class);
    }

    /**
     * Barlow and Hunter's age replacement for shape 3, an end ten times as dear: change at 0.382 η, 3.95 planned
     * changes an η (recomputed numerically).
     */
    @Test
    void theCheapestAgeByStepsIsThatOfTheClosedForm() {
        AgeReplacement by = AgeReplacement.of(new CompetingLives(List.of(new WeibullLife(3, 1))), 1, 10);
        assertThat(by.replaceAtHours()).isCloseTo(0.382, within(0.002));
        assertThat(by.costPerHour()).isCloseTo(3.95, within(0.005));
        AgeReplacement.CostCurve curve = AgeReplacement.CostCurve.of(new WeibullLife(3, 1), 1, 10);
        assertThat(curve.at(0.7))
                .isCloseTo(AgeReplacement.costPerHour(new WeibullLife(3, 1), 1, 10, 0.7), within(1e-4));
        assertThat(curve.at(100)).as("beyond the last age it stays").isEqualTo(curve.costs()[curve.costs().length - 1]);
    }

    /** 100 and 300 h by age, 200 h in a print, 50 h still in: by hand. */
    @Test
    void schoolsCostWhatTheyWouldHaveCost() {
        List<Lived> parts = List.of(
                lived(100, "PLANNED", false),
                lived(300, "CLOUDED", false),
                lived(200, "PIERCED", true),
                lived(50, null, false));
        SchoolCost signs = SchoolCost.of(ChangeSchool.SIGNS, parts, Double.POSITIVE_INFINITY, LifeClock.HOURS, 20, 70);
        assertThat(signs.hours()).isEqualTo(650);
        assertThat(signs.cost()).isEqualTo(20 + 20 + 70);
        assertThat(signs.perHour()).isCloseTo(110.0 / 650, within(1e-12));
        SchoolCost fixed = SchoolCost.of(ChangeSchool.FIXED_AGE, parts, 150, LifeClock.HOURS, 20, 70);
        assertThat(fixed.early()).isEqualTo(2);
        assertThat(fixed.inPrint()).isZero();
        assertThat(fixed.hours()).isEqualTo(100 + 150 + 150 + 50);
        assertThat(fixed.cost()).isEqualTo(3 * 20);
        SchoolCost byUv = SchoolCost.of(ChangeSchool.RECORDS, parts, 30, LifeClock.UV_HOURS, 20, 70);
        assertThat(byUv.hours()).as("30 UV h are 100 print hours here").isEqualTo(100 + 100 + 100 + 50);
    }

    @Test
    void theRecordsSpeakForTheAgeThatWouldHaveCostLeast() {
        AgeReplacement fitted = new AgeReplacement(150.0, 0.1, 0.2, AgeReplacement.Advice.CHANGE_AT_AGE);
        AgeReplacement none = new AgeReplacement(null, 0.2, 0.2, AgeReplacement.Advice.SAVES_NOTHING);
        List<Lived> dear =
                List.of(lived(300, "PIERCED", true), lived(280, "PIERCED", true), lived(310, "PIERCED", true));
        assertThat(CheapestAge.of(fitted, LifeClock.HOURS, 450, LifeClock.HOURS, dear, 20, 70)
                        .which())
                .isEqualTo(CheapestAge.Which.FITTED);
        assertThat(CheapestAge.of(fitted, LifeClock.HOURS, 270, LifeClock.HOURS, dear, 20, 70))
                .isEqualTo(new CheapestAge(270, LifeClock.HOURS, CheapestAge.Which.OWN));
        List<Lived> cheap = List.of(lived(300, "CLOUDED", false), lived(280, "CLOUDED", false));
        assertThat(CheapestAge.of(fitted, LifeClock.HOURS, 270, LifeClock.HOURS, cheap, 20, 70)
                        .which())
                .as("seen in time: an early change throws life away")
                .isEqualTo(CheapestAge.Which.SIGNS);
        assertThat(CheapestAge.of(none, LifeClock.HOURS, Double.POSITIVE_INFINITY, LifeClock.HOURS, List.of(), 20, 70)
                        .at())
                .isInfinite();
    }

    /** Ends that are few make wider intervals than many of the same kind. */
    @Test
    void whatIsNotKnownMakesIntervalsWider() {
        EarlyAndWorn few = EarlyAndWorn.fitted(lives(8, 4), USUAL);
        EarlyAndWorn many = EarlyAndWorn.fitted(lives(400, 4), USUAL);
        double spreadOfFew = few.ageWhenFailed(100, 0.9) / few.ageWhenFailed(100, 0.1);
        double spreadOfMany = many.ageWhenFailed(100, 0.9) / many.ageWhenFailed(100, 0.1);
        assertThat(spreadOfFew).isGreaterThan(spreadOfMany);
        assertThat(many.draws().stream().mapToDouble(EarlyAndWorn.Draw::weight).sum())
                .isCloseTo(1, within(1e-9));
        assertThat(EarlyAndWorn.fitted(lives(8, 4), USUAL).ageWhenFailed(0, 0.5))
                .as("the same lives, the same answer")
                .isEqualTo(few.ageWhenFailed(0, 0.5));
    }

    @Test
    void aPartLifeBringsEachClockToPrintHours() {
        Usage usage = new Usage(200, 60, 90_000, 0, 0);
        PartLife byUv = new PartLife(new WeibullLife(2, 120), LifeClock.UV_HOURS, 0.3, 90, LifeClock.UV_HOURS, 7);
        assertThat(byUv.age(usage)).isEqualTo(60);
        assertThat(byUv.failsWithin(usage, 8, 0.25))
                .isCloseTo(new WeibullLife(2, 120).failsWithin(60, 2), within(1e-12));
        assertThat(byUv.hoursLeft(usage, 0.5, 0.25))
                .isCloseTo(new WeibullLife(2, 120).left(60, 0.5) / 0.25, within(1e-9));
        assertThat(byUv.hoursToChange(usage, 0.25)).isCloseTo(120, within(1e-9));
        assertThat(byUv.typicalHours()).isCloseTo(400, within(1e-6));
        assertThat(byUv.full()).isEqualTo(90);
        PartLife byPeels = new PartLife(new WeibullLife(2, 200), LifeClock.PEELS, 0.45, 450, LifeClock.HOURS, 7);
        assertThat(byPeels.age(usage)).isEqualTo(90);
        assertThat(byPeels.hoursToChange(usage, 0.3))
                .as("its age of change is in print hours")
                .isEqualTo(250);
        assertThat(byPeels.full()).as("on its own clock").isCloseTo(200, within(1e-6));
        assertThat(byPeels.pastAge(new Usage(450, 0, 0, 0, 0))).isTrue();
        assertThat(byPeels.knownFrom()).isEqualTo("7 ends here");
        assertThat(byUv.changedAt(Double.POSITIVE_INFINITY, LifeClock.UV_HOURS).pastAge(usage))
                .isFalse();
    }

    private static Lived lived(double hours, String endReason, boolean inPrint) {
        return new Lived(new Usage(hours, 0.3 * hours, Math.round(450 * hours), 0, 0), endReason, inPrint);
    }
}
