package keel.core.spares;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import keel.core.spares.SpareDemand.InService;
import keel.core.wear.WeibullLife;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SpareDemandTest {

    /** Against the Poisson distribution of Commons Statistics: ends of exponential lives, whatever the ages. */
    @ParameterizedTest
    @CsvSource({"1, 1500, 300", "7, 1500, 240", "12, 400, 900", "3, 50, 200"})
    void exponentialLivesGiveThePoissonTable(int parts, double scale, double hours) {
        List<InService> inService = IntStream.range(0, parts)
                .mapToObj(i -> new InService(new WeibullLife(1, scale), 97.0 * i, hours))
                .toList();
        SpareDemand demand = SpareDemand.of(inService);
        PoissonDistribution poisson = PoissonDistribution.of(parts * hours / scale);
        for (int k = 0; k < demand.distribution().length; k++) {
            assertThat(demand.distribution()[k]).as("P(" + k + ")").isCloseTo(poisson.probability(k), within(5e-5));
        }
        assertThat(demand.expected()).isCloseTo(parts * hours / scale, within(1e-3 * parts * hours / scale));
        for (double level : new double[] {0.8, 0.95, 0.99}) {
            assertThat(demand.stockFor(level)).isEqualTo(poisson.inverseCumulativeProbability(level));
        }
    }

    /** From memory of any Poisson table: mean 2, 0.1353 0.2707 0.2707 0.1804 0.0902. */
    @Test
    void meanTwoReadsAsInTheTables() {
        double[] p = SpareDemand.of(List.of(
                        new InService(new WeibullLife(1, 100), 0, 100),
                        new InService(new WeibullLife(1, 100), 500, 100)))
                .distribution();
        assertThat(Arrays.copyOf(p, 5))
                .usingComparatorWithPrecision(5e-5)
                .containsExactly(0.1353, 0.2707, 0.2707, 0.1804, 0.0902);
    }

    /** Against lives drawn one by one. */
    @Test
    void wornLivesGiveWhatDrawingThemGives() {
        List<InService> parts = List.of(
                new InService(new WeibullLife(3, 400), 380, 500),
                new InService(new WeibullLife(1.5, 300), 20, 500),
                new InService(new WeibullLife(0.7, 900), 0, 500));
        SpareDemand demand = SpareDemand.of(parts);
        Random random = new Random(7);
        int[] counts = new int[12];
        int draws = 200_000;
        for (int i = 0; i < draws; i++) {
            int n = 0;
            for (InService part : parts) {
                WeibullLife life = (WeibullLife) part.life();
                double at = life.left(part.age(), 1 - random.nextDouble());
                while (at < 500) {
                    n++;
                    at += life.ageWhenFailed(0, Math.max(1e-12, random.nextDouble()));
                }
            }
            counts[Math.min(11, n)]++;
        }
        for (int k = 0; k < 6; k++) {
            assertThat(demand.distribution()[k])
                    .as("P(" + k + ")")
                    .isCloseTo((double) counts[k] / draws, within(0.004));
        }
        assertThat(Arrays.stream(demand.distribution()).sum()).isCloseTo(1, within(1e-9));
    }

    @Test
    void anOldPartAsksForASpareSooner() {
        InService young = new InService(new WeibullLife(3, 400), 0, 100);
        InService old = new InService(new WeibullLife(3, 400), 390, 100);
        assertThat(SpareDemand.of(List.of(old)).enough(0))
                .isLessThan(SpareDemand.of(List.of(young)).enough(0));
        assertThat(SpareDemand.of(Collections.nCopies(6, old)).stockFor(0.95))
                .isGreaterThan(SpareDemand.of(Collections.nCopies(6, young)).stockFor(0.95));
    }

    @Test
    void nothingInServiceOrNoUseAsksForNone() {
        assertThat(SpareDemand.of(List.of()).distribution()).containsExactly(1);
        assertThat(SpareDemand.of(List.of(new InService(new WeibullLife(2, 100), 50, 0)))
                        .stockFor(0.999))
                .isZero();
        assertThatIllegalArgumentException()
                .isThrownBy(() -> SpareDemand.of(List.of(new InService(new WeibullLife(2, 0.01), 0, 1000))))
                .withMessageContaining("More than 400");
    }

    /** Against lives drawn one by one: ends within a year of a part and those that follow it. */
    @ParameterizedTest
    @CsvSource({"3, 450, 400, 2500", "1.5, 1500, 0, 900", "0.7, 600, 50, 3000", "1, 300, 123, 2000", "4, 200, 199, 2400"
    })
    void renewalsAreThoseOfDrawnLives(double shape, double scale, double age, double use) {
        WeibullLife life = new WeibullLife(shape, scale);
        Random random = new Random(3);
        int trials = 20_000;
        long ends = 0;
        for (int i = 0; i < trials; i++) {
            double alive = life.survival(age);
            double at = scale * Math.pow(-Math.log(alive * (1 - random.nextDouble())), 1 / shape) - age;
            while (at <= use) {
                ends++;
                at += scale * Math.pow(-Math.log(1 - random.nextDouble()), 1 / shape);
            }
        }
        double drawn = (double) ends / trials;
        assertThat(SpareDemand.expected(new InService(life, age, use))).isCloseTo(drawn, within(0.02 * drawn + 0.01));
    }

    /** Exponential lives renew at a steady rate, whatever the age: use over scale. */
    @Test
    void renewalsOfChanceAreSteady() {
        assertThat(SpareDemand.expected(new InService(new WeibullLife(1, 450), 77, 2000)))
                .isCloseTo(2000 / 450.0, within(1e-4));
        assertThat(SpareDemand.expected(new InService(new WeibullLife(3, 450), 77, 0)))
                .isZero();
    }
}
