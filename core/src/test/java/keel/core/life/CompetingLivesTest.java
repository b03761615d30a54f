package keel.core.life;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import keel.core.wear.WeibullLife;
import org.apache.commons.statistics.distribution.WeibullDistribution;
import org.junit.jupiter.api.Test;

class CompetingLivesTest {

    /**
     * Two Weibull lives of one shape together are one of that shape, its scale (η₁^−β + η₂^−β)^(−1/β)
     * (any text on competing risks).
     */
    @Test
    void twoWaysOfOneShapeAreOneLife() {
        CompetingLives two = new CompetingLives(List.of(new WeibullLife(3, 1.2), new WeibullLife(3, 1.6)));
        double scale = Math.pow(Math.pow(1.2, -3) + Math.pow(1.6, -3), -1 / 3.0);
        WeibullLife one = new WeibullLife(3, scale);
        assertThat(two.survival(0.9)).isCloseTo(one.survival(0.9), within(1e-12));
        assertThat(two.failsWithin(0.5, 0.3)).isCloseTo(one.failsWithin(0.5, 0.3), within(1e-12));
        assertThat(two.ageWhenFailed(0.5, 0.5)).isCloseTo(one.ageWhenFailed(0.5, 0.5), within(1e-9));
        AgeReplacement by = AgeReplacement.of(two, 1, 10);
        AgeReplacement closed = AgeReplacement.of(one, 1, 10);
        assertThat(by.replaceAtHours()).isCloseTo(closed.replaceAtHours(), within(0.002 * scale));
        assertThat(by.costPerHour()).isCloseTo(closed.costPerHour(), within(1e-3 * closed.costPerHour()));
        assertThat(by.runToFailurePerHour())
                .isCloseTo(closed.runToFailurePerHour(), within(1e-3 * closed.runToFailurePerHour()));
    }

    /**
     * Half pierced by chance, the rest clouded late: each way's life is found again, where one Weibull life would lie
     * between.
     */
    @Test
    void waysAreToldApart() {
        Random random = new Random(3);
        WeibullDistribution chance = WeibullDistribution.of(1, 500);
        WeibullDistribution wear = WeibullDistribution.of(6, 450);
        List<Life> lives = new ArrayList<>();
        List<Integer> way = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            double a = chance.inverseCumulativeProbability(random.nextDouble());
            double b = wear.inverseCumulativeProbability(random.nextDouble());
            lives.add(new Life(Math.min(a, b), true));
            way.add(a < b ? 0 : 1);
        }
        CompetingLives fitted = CompetingLives.fitted(lives, way, 2, new WeibullLife(2, 450));
        assertThat(fitted.ways().get(0).shape()).isCloseTo(1, within(0.15));
        assertThat(fitted.ways().get(0).scale()).isCloseTo(500, within(75.0));
        assertThat(fitted.ways().get(1).shape()).isCloseTo(6, within(1.2));
        assertThat(fitted.ways().get(1).scale()).isCloseTo(450, within(25.0));
        assertThat(AgeReplacement.of(fitted, 12, 45).replaceAtHours())
                .as("wear-out makes an early change pay that one life does not see")
                .isBetween(200.0, 420.0);
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatIllegalArgumentException().isThrownBy(() -> new CompetingLives(List.of()));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> AgeReplacement.of(new CompetingLives(List.of(new WeibullLife(1, 1))), 0, 1));
        assertThat(AgeReplacement.of(new CompetingLives(List.of(new WeibullLife(1, 1))), 1, 10)
                        .replaceAtHours())
                .isNull();
        assertThat(AgeReplacement.of(new CompetingLives(List.of(new WeibullLife(3, 1))), 10, 10)
                        .advice())
                .isEqualTo(AgeReplacement.Advice.NOT_DEARER);
    }
}
