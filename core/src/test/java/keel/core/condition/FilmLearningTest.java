package keel.core.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.condition.FilmLearning.Lost;
import keel.core.condition.FilmLearning.Printed;
import keel.core.film.Clouding;
import keel.core.run.Detail;
import org.junit.jupiter.api.Test;

/** Against prints drawn from a shop whose films bear a known loss; the factor against a hand calculation. */
class FilmLearningTest {

    @Test
    void theFactorWeighsWhatIsUsualAsFourEnds() {
        assertThat(FilmLearning.factor(6, 3, 0.4)).isCloseTo(6.5625, within(1e-12));
        assertThat(FilmLearning.factor(1, 0, 0)).isEqualTo(1);
    }

    @Test
    void nothingIsLearnedFromNone() {
        FilmLearned learned = FilmLearning.of(List.of());
        assertThat(learned).isEqualTo(FilmLearned.NOTHING);
        assertThat(learned.on(7, null)).isEqualTo(FilmBears.USUAL);
    }

    private static LossOdds known(double loss) {
        double[] sure = new double[(int) Math.round(loss / LossOdds.STEP) + 1];
        sure[sure.length - 1] = 1;
        return new LossOdds(sure);
    }

    private static List<Printed> shop(double more, double factorOnTwo, Random random, int prints) {
        List<Printed> all = new ArrayList<>();
        FilmBears truly = new FilmBears(more, 0.08, 1, 1);
        for (int i = 0; i < prints; i++) {
            long machine = i % 2 + 1;
            double loss = LossOdds.STEP * random.nextInt(61);
            double fails = truly.fails(loss, Detail.USUAL, 0) * (machine == 2 ? factorOnTwo : 1);
            boolean otherwise = random.nextDouble() < 0.004;
            Lost lost = random.nextDouble() < fails ? Lost.CLOUDED : otherwise ? Lost.OTHERWISE : Lost.NOT_BY_FILM;
            all.add(new Printed(machine, known(loss), 0, Detail.USUAL, 0, 0.008, lost));
        }
        return all;
    }

    @Test
    void itFindsWhatAShopBears() {
        for (double more : new double[] {-0.04, 0, 0.06}) {
            FilmLearned learned = FilmLearning.of(shop(more, 1, new Random(5), 3000));
            assertThat(learned.more()).as("more " + more).isCloseTo(more, within(0.021));
            assertThat(learned.worn().get(1L)).isCloseTo(1, within(0.2));
            assertThat(learned.otherwise()).as("half as many as told").isCloseTo(0.5, within(0.2));
            assertThat(learned.prints()).isEqualTo(3000);
        }
    }

    @Test
    void aMachineThatLosesMoreIsTold() {
        FilmLearned learned = FilmLearning.of(shop(0, 0.3, new Random(6), 3000));
        assertThat(learned.on(1, Clouding.HAZY).worn())
                .isGreaterThan(1.5 * learned.on(2, Clouding.HAZY).worn());
    }

    /** Whose films were never milky yet does not learn that milky ones will do. */
    @Test
    void itNeverLearnsThatAMilkyFilmWillDo() {
        List<Printed> good = new ArrayList<>();
        for (int i = 0; i < 5000; i++) {
            good.add(new Printed(1, known(0.1), 0, Detail.USUAL, 0, 0.01, Lost.NOT_BY_FILM));
        }
        FilmLearned learned = FilmLearning.of(good);
        double clouded = Math.log(Clouding.CLEAR.usualTransmittance() / Clouding.CLOUDED.usualTransmittance());
        double milky = Math.log(Clouding.CLEAR.usualTransmittance() / Clouding.MILKY.usualTransmittance());
        assertThat(learned.on(1, Clouding.CLOUDED).fails(clouded, Detail.USUAL, 0))
                .isLessThan(0.1);
        assertThat(learned.on(1, Clouding.MILKY).fails(milky, Detail.USUAL, 0)).isCloseTo(0.7473, within(5e-5));
    }

    @Test
    void whatWasPrintedBeforeALookTeachesNothing() {
        List<CloudingSeen> looks = List.of(new CloudingSeen(50, 15, Clouding.HAZY, null));
        List<FilmReplay.Run> runs = List.of(run(40, 12), run(50, 15), run(58, 17.4));
        List<Printed> printed = FilmReplay.of(looks, runs);
        assertThat(printed).hasSize(2);
        CloudingPath then =
                CloudingPath.of(CloudingPrior.USUAL, looks, 58, 17.4).after(8, 2.4);
        assertThat(printed.get(1).losses().mean()).isCloseTo(then.mean(), within(1e-9));
        assertThat(printed.get(1).losses().sd()).isCloseTo(then.sd(), within(1e-9));
        assertThat(printed.get(1).otherwise())
                .as("a hazy film is like any other; half of the ends are none by clouding")
                .isCloseTo(0.5 * -Math.log(0.98), within(1e-12));
    }

    private static FilmReplay.Run run(double hours, double uvHours) {
        return new FilmReplay.Run(1, hours, uvHours, 8, 2.4, 0.02, Detail.USUAL, Lost.NOT_BY_FILM);
    }
}
