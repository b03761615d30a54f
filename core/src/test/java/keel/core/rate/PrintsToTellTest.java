package keel.core.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import org.junit.jupiter.api.Test;

class PrintsToTellTest {

    /** The help page of R's power.prop.test: p1 = .50, p2 = .75, power = .90 gives n = 76.7; from memory. */
    @Test
    void agreesWithTheWorkedExampleOfAReferenceProgram() {
        assertThat(PrintsToTell.ofEach(0.50, 0.75, 0.90)).isCloseTo(76.7, within(0.05));
    }

    /** The same page: 50 of each at 0.5 and 0.75 have a power of 0.740; from memory. */
    @Test
    void fiftyOfEachTellAHalfFromThreeQuartersInThreeOfFour() {
        assertThat(PrintsToTell.ofEach(0.50, 0.75, 0.740)).isCloseTo(50, within(0.1));
    }

    @Test
    void whatIsAlikeIsNeverTold() {
        assertThat(PrintsToTell.ofEach(0.1, 0.1)).isEmpty();
        assertThat(PrintsToTell.ofEach(0.1, 0.1001)).isEmpty();
    }

    /** By chance itself: with so many prints of each, four of five pairs are told by the interval of the difference. */
    @Test
    void drawnPairsAreToldAboutAsOftenAsSaid() {
        Random random = new Random(5);
        int each = PrintsToTell.ofEach(0.08, 0.2).orElseThrow();
        int told = 0;
        for (int i = 0; i < 2000; i++) {
            SuccessRate first = drawn(random, each, 0.08);
            SuccessRate second = drawn(random, each, 0.2);
            told += RateDifference.between(first, second).verdict() == RateDifference.Verdict.WORSE ? 1 : 0;
        }
        assertThat(told / 2000.0).isBetween(0.74, 0.86);
    }

    private static SuccessRate drawn(Random random, int prints, double share) {
        int good = 0;
        for (int i = 0; i < prints; i++) {
            good += random.nextDouble() < share ? 1 : 0;
        }
        return SuccessRate.of(good, prints);
    }
}
