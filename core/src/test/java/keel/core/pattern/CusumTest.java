package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class CusumTest {

    /** Run lengths by the Markov chain, exact: reckoned apart from this program. */
    @Test
    void runLengthsAreThoseOfTheChain() {
        assertThat(new Cusum(0.1, 6, 24).runLength(0.1)).isCloseTo(429.05, within(0.005));
        assertThat(new Cusum(0.1, 6, 24).runLength(0.2)).isCloseTo(46.10, within(0.005));
        assertThat(new Cusum(0.1, 6, 30).runLength(0.1)).isCloseTo(923.1, within(0.05));
        assertThat(new Cusum(0.1, 6, 30).runLength(0.2)).isCloseTo(60.64, within(0.005));
    }

    @Test
    void theLowestLimitIsTakenThatCriesWolfSeldomEnough() {
        Cusum c = Cusum.of(0.1, 429);
        assertThat(c).isEqualTo(new Cusum(0.1, 6, 24));
        for (double usual : new double[] {0.02, 0.05, 0.1, 0.2}) {
            Cusum set = Cusum.of(usual, 2000);
            assertThat(set.runLength(usual)).isGreaterThanOrEqualTo(2000);
            assertThat(new Cusum(usual, set.up(), set.limit() - 1).runLength(usual))
                    .isLessThan(2000);
            assertThat(set.runLength(2 * usual)).isLessThan(set.runLength(usual) / 4);
        }
    }

    @Test
    void drawnPrintsAlarmAfterAsManyAsReckoned() {
        Cusum c = new Cusum(0.1, 6, 24);
        Random random = new Random(3);
        long prints = 0;
        int runs = 4000;
        for (int i = 0; i < runs; i++) {
            for (int sum = 0; !c.alarms(sum); prints++) {
                sum = c.next(sum, random.nextDouble() < 0.2);
            }
        }
        assertThat(prints / (double) runs).isCloseTo(46.10, within(2.0));
    }

    @Test
    void aLargeShopHasItsLimitToo() {
        assertThat(Cusum.of(0.05, 1e6).runLength(0.05)).isBetween(1e6, 1.3e6);
        assertThat(Cusum.of(0.02, 1e6).runLength(0.02)).isBetween(1e6, 1.3e6);
    }

    @Test
    void sharesOutsideAreTakenAsTheNearest() {
        assertThat(Cusum.of(0, 400).usual()).isEqualTo(0.02);
        assertThat(Cusum.of(0.9, 400).usual()).isEqualTo(0.3);
    }
}
