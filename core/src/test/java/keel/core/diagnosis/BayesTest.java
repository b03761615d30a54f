package keel.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.function.ToDoubleFunction;
import org.junit.jupiter.api.Test;

/** Against worked examples of textbooks. */
class BayesTest {

    /**
     * Quinlan, Induction of Decision Trees (1986), the fourteen Saturday mornings: nine of one kind and five of the
     * other.
     */
    @Test
    void theEntropyOfQuinlansTableIs0940Bits() {
        assertThat(Bayes.entropyBits(new double[] {9 / 14.0, 5 / 14.0})).isCloseTo(0.940, within(0.0005));
    }

    /**
     * The same table: outlook is sunny for 2 of 9 and 3 of 5, overcast for 4 and 0, rain for 3 and 2; its gain is 0.247
     * bit (0.246 as printed, from rounded parts).
     */
    @Test
    void theGainOfOutlookIs0247Bits() {
        double[][] outlook = {{2 / 9.0, 3 / 5.0}, {4 / 9.0, 0}, {3 / 9.0, 2 / 5.0}};
        assertThat(Bayes.expectedBits(new double[] {9 / 14.0, 5 / 14.0}, outlook))
                .isCloseTo(0.247, within(0.0005));
    }

    /**
     * Mitchell, Machine Learning (1997), 6.9.1: the same table, a sunny, cool, humid, windy day. P(no) is 0.795, from
     * memory of the book and recomputed: 0.0206 against 0.0053.
     */
    @Test
    void mitchellsNaiveBayesComesOutAsInTheBook() {
        double yes = 9 / 14.0 * (2 / 9.0) * (3 / 9.0) * (3 / 9.0) * (3 / 9.0);
        double no = 5 / 14.0 * (3 / 5.0) * (1 / 5.0) * (4 / 5.0) * (3 / 5.0);
        assertThat(Bayes.normalised(new double[] {yes, no})[1]).isCloseTo(0.795, within(0.0005));
    }

    /**
     * Good, Probability and the Weighing of Evidence (1950), from memory: a fact ten times likelier under the
     * hypothesis weighs ten decibans, twice as likely about three; a loaded die that shows six a third of the time
     * against a fair one weighs 3.01 for each six.
     */
    @Test
    void aFactorOfTenIsTenDecibans() {
        assertThat(Bayes.decibans(0.5, 0.05)).isCloseTo(10, within(1e-9));
        assertThat(Bayes.decibans(1 / 3.0, 1 / 6.0)).isCloseTo(3.0103, within(1e-4));
        assertThat(Bayes.decibans(0.05, 0.5)).isCloseTo(-10, within(1e-9));
    }

    @Test
    void anAnswerThatIsTheSameForAllTellsNothingAndOneThatSplitsEvenlyTellsABit() {
        double[] half = {0.5, 0.5};
        assertThat(Bayes.expectedBits(half, new double[][] {{0.3, 0.3}, {0.7, 0.7}}))
                .isCloseTo(0, within(1e-12));
        assertThat(Bayes.expectedBits(half, new double[][] {{1, 0}, {0, 1}})).isCloseTo(1, within(1e-12));
        assertThat(Bayes.normalised(new double[] {0, 0})).containsExactly(0.5, 0.5);
    }

    /**
     * The oil wildcatter, H. Raiffa, Decision Analysis (1968): dry 0.5, wet 0.3, soaking 0.2; drilling gives −70, 50,
     * 200; seismic answers none, open, closed. 20 without the test, 32.5 with it, so that it is worth 12.5.
     */
    @Test
    void theOilWildcattersTestIsWorthWhatRaiffaSays() {
        double[] prior = {0.5, 0.3, 0.2};
        double[] drilling = {-70, 50, 200};
        double[][] seismic = {{0.6, 0.3, 0.1}, {0.3, 0.4, 0.4}, {0.1, 0.3, 0.5}};
        ToDoubleFunction<double[]> best =
                p -> Math.max(0, p[0] * drilling[0] + p[1] * drilling[1] + p[2] * drilling[2]);
        assertThat(best.applyAsDouble(prior)).isCloseTo(20, within(1e-9));
        assertThat(Bayes.expectedAfter(prior, seismic, best)).isCloseTo(32.5, within(1e-9));
    }

    /** One cause at 0.30, mended for 9, left for 25; a check that misses 0.1 and names it falsely 0.02: recomputed. */
    @Test
    void aCheckIsWorthWhatItSaves() {
        double[] prior = {0.7, 0.3};
        double[][] check = {{0.98, 0.1}, {0.02, 0.9}};
        ToDoubleFunction<double[]> lost = p -> Math.min(9, 25 * p[1]);
        double evsi = lost.applyAsDouble(prior) - Bayes.expectedAfter(prior, check, lost);
        assertThat(evsi).isCloseTo(4.194, within(5e-4));
        assertThat(evsi / 3 - 21.0 / 60).as("3 min at 21 an hour").isCloseTo(1.048, within(5e-4));
    }
}
