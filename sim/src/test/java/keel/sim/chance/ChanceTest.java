package keel.sim.chance;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.IntStream;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.apache.commons.statistics.distribution.WeibullDistribution;
import org.hipparchus.distribution.RealDistribution;
import org.hipparchus.stat.inference.KolmogorovSmirnovTest;
import org.junit.jupiter.api.Test;

/**
 * Whether chance behaves as its parameters say: against the distributions of Hipparchus and Commons Statistics, by
 * tests of fit at one in a thousand. Seeds are fixed, so a test that passes always passes.
 */
class ChanceTest {

    private static final double ONE_IN_A_THOUSAND = 0.001;

    @Test
    void livesFollowTheWeibullDistributionOfTheirParameters() {
        Chance chance = Chance.of(1);
        double[] lives = IntStream.range(0, 2000)
                .mapToDouble(i -> chance.weibull(2.2, 900))
                .toArray();
        assertThat(fit(new org.hipparchus.distribution.continuous.WeibullDistribution(2.2, 900), lives))
                .isGreaterThan(ONE_IN_A_THOUSAND);
        assertThat(fit(new org.hipparchus.distribution.continuous.WeibullDistribution(1.8, 900), lives))
                .as("the test can fail")
                .isLessThan(ONE_IN_A_THOUSAND);
        double median = WeibullDistribution.of(2.2, 900).inverseCumulativeProbability(0.5);
        assertThat(IntStream.range(0, 2000).filter(i -> lives[i] < median).count())
                .isBetween(930L, 1070L);
    }

    @Test
    void normalAndLogNormalDrawsFollowTheirs() {
        Chance chance = Chance.of(2);
        double[] draws =
                IntStream.range(0, 2000).mapToDouble(i -> chance.normal(3, 0.5)).toArray();
        double[] logs = IntStream.range(0, 2000)
                .mapToDouble(i -> Math.log(chance.logNormal(20, 0.35)))
                .toArray();
        assertThat(fit(new org.hipparchus.distribution.continuous.NormalDistribution(3, 0.5), draws))
                .isGreaterThan(ONE_IN_A_THOUSAND);
        assertThat(fit(new org.hipparchus.distribution.continuous.NormalDistribution(Math.log(20), 0.35), logs))
                .isGreaterThan(ONE_IN_A_THOUSAND);
    }

    /** Ten thousand occasions in each of many streams: the counts lie where the binomial distribution puts them. */
    @Test
    void whatHappensWithAProbabilityIsBinomial() {
        BinomialDistribution counts = BinomialDistribution.of(10_000, 0.03);
        Chance root = Chance.of(3);
        long inside = IntStream.range(0, 200)
                .filter(i -> {
                    Chance stream = root.stream("slip", i);
                    int count = (int) IntStream.range(0, 10_000)
                            .filter(n -> stream.happens(0.03))
                            .count();
                    return count >= counts.inverseCumulativeProbability(0.05)
                            && count <= counts.inverseCumulativeProbability(0.95);
                })
                .count();
        BinomialDistribution ninety = BinomialDistribution.of(
                200,
                counts.cumulativeProbability(counts.inverseCumulativeProbability(0.95))
                        - counts.cumulativeProbability(counts.inverseCumulativeProbability(0.05) - 1));
        assertThat((int) inside)
                .isBetween(ninety.inverseCumulativeProbability(0.0005), ninety.inverseCumulativeProbability(0.9995));
    }

    @Test
    void aStreamIsTheSameHoweverMuchIsDrawnFromItsNeighbours() {
        Chance one = Chance.of(9);
        Chance other = Chance.of(9);
        IntStream.range(0, 50).forEach(i -> {
            other.happens(0.5);
            other.stream("neighbour").normal(0, 1);
        });
        assertThat(other.stream("film", 3).between(0, 1))
                .isEqualTo(one.stream("film", 3).between(0, 1));
        assertThat(one.stream("film", 4).between(0, 1))
                .isNotEqualTo(one.stream("film", 3).between(0, 1));
        assertThat(Chance.of(10).stream("film", 3).between(0, 1))
                .isNotEqualTo(one.stream("film", 3).between(0, 1));
    }

    private static double fit(RealDistribution distribution, double[] draws) {
        return new KolmogorovSmirnovTest().kolmogorovSmirnovTest(distribution, draws, false);
    }
}
