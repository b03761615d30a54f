package keel.core.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import keel.core.film.Clouding;
import keel.core.run.Detail;
import org.hipparchus.distribution.continuous.NormalDistribution;
import org.hipparchus.random.Well19937c;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The path of a film's clouding against closed forms (normal probabilities, conjugate updates) and a simulation of the
 * same process.
 */
class CloudingPathTest {

    private static final CloudingPrior USUAL = CloudingPrior.USUAL;

    /** Normal probabilities of a loss that is known: Φ((Λ − M)/0.08) at the grades' usual losses. */
    @ParameterizedTest
    @CsvSource({
        "CLEAR, USUAL, 0.0030",
        "FAINT, USUAL, 0.0098",
        "HAZY, USUAL, 0.0391",
        "CLOUDED, USUAL, 0.1988",
        "MILKY, USUAL, 0.7473",
        "CLOUDED, FINE, 0.5117",
        "CLOUDED, ROUGH, 0.0181",
        "MILKY, ROUGH, 0.2797"
    })
    void aKnownLossFailsByItsDetail(Clouding grade, Detail detail, double fails) {
        double loss = Math.log(Clouding.CLEAR.usualTransmittance() / grade.usualTransmittance());
        assertThat(FilmBears.USUAL.fails(loss, detail, 0)).isCloseTo(fails, within(5e-5));
        assertThat(FilmBears.USUAL.fails(loss + 0.1, detail, 0.1))
                .as("made up by the exposure")
                .isCloseTo(fails, within(5e-5));
    }

    @Test
    void usualLossesAreThoseOfTheGrades() {
        for (Clouding grade : Clouding.values()) {
            double loss = Math.log(Clouding.CLEAR.usualTransmittance() / grade.usualTransmittance());
            assertThat(Clouding.values())
                    .as("the grade that such a film is given most often")
                    .allSatisfy(other -> assertThat(CloudingPath.looks(grade, loss))
                            .isGreaterThanOrEqualTo(CloudingPath.looks(other, loss)));
        }
    }

    @Test
    void aNewFilmIsClearAndLosesWhatIsUsual() {
        assertThat(CloudingPath.fresh(USUAL).mean())
                .isCloseTo(USUAL.mishandledBefore() * USUAL.jumpMean(), within(0.0005));
        double[] lost = simulated(300, 90, 40_000);
        CloudingPath path = CloudingPath.fresh(USUAL).after(300, 90);
        assertThat(path.mean()).isCloseTo(mean(lost), within(0.002));
        assertThat(path.beyond(0.22)).isCloseTo(share(lost, 0.22), within(0.006));
    }

    /** Two readings at one age: precision-weighted mean, as of a normal with a flat prior where they are sharp. */
    @Test
    void readingsOutweighWhatIsUsual() {
        CloudingPath path = CloudingPath.of(USUAL, List.of(metered(400, 120, 0.12), metered(400, 120, 0.16)), 400, 120);
        assertThat(path.mean()).isCloseTo(0.135, within(0.012));
        assertThat(path.sd()).isLessThan(0.015 / Math.sqrt(2) * 1.15);
    }

    @Test
    void aMilkyLookIsBelievedOfAYoungFilm() {
        CloudingPath milky = CloudingPath.of(USUAL, List.of(looked(20, 6, Clouding.MILKY)), 20, 6);
        CloudingPath clear = CloudingPath.of(USUAL, List.of(looked(20, 6, Clouding.CLEAR)), 20, 6);
        assertThat(milky.fails(FilmBears.USUAL, Detail.USUAL, 0)).isGreaterThan(0.25);
        assertThat(clear.fails(FilmBears.USUAL, Detail.USUAL, 0)).isLessThan(0.02);
    }

    /** Nobody knows what a film went through before it came on record: its look is believed all the same. */
    @Test
    void aMilkyLookIsBelievedOfAFilmWithoutHours() {
        assertThat(CloudingPath.of(USUAL, List.of(looked(0, 0, Clouding.MILKY)), 0, 0)
                        .fails(FilmBears.USUAL, Detail.USUAL, 0))
                .isGreaterThan(0.4);
    }

    @Test
    void gradesAreOrderedAndLooksNarrowThePath() {
        double before = -1;
        for (Clouding grade : Clouding.values()) {
            CloudingPath path = CloudingPath.of(USUAL, List.of(looked(250, 75, grade)), 250, 75);
            assertThat(path.mean()).isGreaterThan(before);
            before = path.mean();
        }
        CloudingPath unseen = CloudingPath.of(USUAL, List.of(), 250, 75);
        assertThat(CloudingPath.of(USUAL, List.of(looked(250, 75, Clouding.CLEAR)), 250, 75)
                        .sd())
                .isLessThan(unseen.sd());
        assertThat(CloudingPath.of(USUAL, List.of(looked(50, 15, Clouding.CLEAR)), 250, 75)
                        .sd())
                .as("a look long ago leaves it wider")
                .isGreaterThan(CloudingPath.of(USUAL, List.of(looked(250, 75, Clouding.CLEAR)), 250, 75)
                        .sd());
    }

    @Test
    void whatWasLostIsNotRegainedAndALookTheOtherWayIsWeighed() {
        List<CloudingSeen> both = List.of(looked(200, 60, Clouding.MILKY), looked(210, 63, Clouding.CLEAR));
        CloudingPath path = CloudingPath.of(USUAL, both, 210, 63);
        assertThat(path.mean()).isBetween(0.01, 0.2);
        assertThat(path.after(100, 30).quantile(0.5)).isGreaterThanOrEqualTo(path.quantile(0.5));
    }

    @Test
    void aReadingBeforeTheFilmOrOfMoreThanAllLightDoesNotUpsetIt() {
        assertThat(new CloudingSeen(0, 0, null, 1.0).loss()).isZero();
        CloudingPath path = CloudingPath.of(USUAL, List.of(metered(300, 90, 0.1), metered(100, 30, 0.1)), 50, 10);
        assertThat(path.hours()).isEqualTo(300);
        assertThat(path.mean()).isCloseTo(0.1, within(0.02));
    }

    private static CloudingSeen looked(double hours, double uvHours, Clouding grade) {
        return new CloudingSeen(hours, uvHours, grade, null);
    }

    private static CloudingSeen metered(double hours, double uvHours, double loss) {
        return new CloudingSeen(hours, uvHours, null, Clouding.CLEAR.usualTransmittance() * Math.exp(-loss));
    }

    /** The same process by drawing: log-normal rate, jumps at Poisson moments. */
    private static double[] simulated(double hours, double uvHours, int n) {
        Well19937c random = new Well19937c(7);
        double[] lost = new double[n];
        for (int i = 0; i < n; i++) {
            double rate = USUAL.medianPerUvHour() * Math.exp(USUAL.sdLog() * random.nextGaussian());
            double loss = rate * uvHours;
            double handled = hours + USUAL.mishandledBefore() * USUAL.jumpEveryHours();
            for (double at = -Math.log(1 - random.nextDouble()) * USUAL.jumpEveryHours();
                    at < handled;
                    at += -Math.log(1 - random.nextDouble()) * USUAL.jumpEveryHours()) {
                loss += -Math.log(1 - random.nextDouble()) * USUAL.jumpMean();
            }
            lost[i] = Math.min(0.5, loss);
        }
        return lost;
    }

    private static double mean(double[] values) {
        return Arrays.stream(values).average().orElseThrow();
    }

    private static double share(double[] values, double above) {
        return Arrays.stream(values).filter(v -> v > above).count() / (double) values.length;
    }

    @Test
    void theNormalThatItIsReckonedWithIsTheTextbooks() {
        assertThat(FilmBears.USUAL.fails(0.22 - 0.08 * 1.96, Detail.USUAL, 0))
                .isCloseTo(new NormalDistribution().cumulativeProbability(-1.96), within(1e-12));
    }
}
