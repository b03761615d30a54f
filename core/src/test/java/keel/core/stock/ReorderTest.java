package keel.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import java.util.Random;
import keel.core.stock.Reorder.ReorderItem;
import org.apache.commons.statistics.distribution.GammaDistribution;
import org.apache.commons.statistics.distribution.PoissonDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ReorderTest {

    private static Reorder of(
            double d, double sd, double lead, double leadSd, double level, double pack, double cover) {
        return Reorder.of(new ReorderItem(d, sd, lead, leadSd, level, pack, cover));
    }

    /**
     * Heizer and Render, Operations Management, probabilistic models (from memory): 150 a day, sd 16, lead time 5 days,
     * sd 1, 95 %: sd over the lead time 154.2, reorder point about 1004.
     */
    @Test
    void theTextbooksExampleComesOut() {
        Reorder r = of(150, 16, 5, 1, 0.95, 1, 30);
        assertThat(r.safetyStock()).isCloseTo(1.6449 * 154.21, within(0.1));
        assertThat(r.reorderPoint()).isCloseTo(1003.6, within(0.5));
    }

    /**
     * The same book (from memory): 15 a day, sd 5, 2 days for certain, 90 %: z of 1.28, safety stock 9.02, reorder
     * point 39.02.
     */
    @Test
    void withALeadTimeForCertainOnlyDemandScatters() {
        Reorder r = of(15, 5, 2, 0, 0.9, 1, 30);
        assertThat(r.safetyStock()).isCloseTo(1.2816 * 5 * Math.sqrt(2), within(1e-3));
        assertThat(r.reorderPoint()).isCloseTo(39.06, within(0.05));
    }

    /** z of the standard normal table: 0.8413 at 1, 0.9772 at 2, 0.99865 at 3. */
    @ParameterizedTest
    @CsvSource({"0.841345, 1", "0.977250, 2", "0.998650, 3", "0.5, 0", "0.2, 0"})
    void theServiceLevelGoesByTheNormalTable(double level, double z) {
        assertThat(of(10, 4, 1, 0, level, 1, 30).safetyStock()).isCloseTo(4 * z, within(1e-3));
    }

    @ParameterizedTest
    @CsvSource({"4, 30, 1, 120", "4, 30, 50, 150", "4, 25, 50, 100", "0, 30, 50, 0", "0.1, 30, 1, 3"})
    void ordersAreWholePacks(double d, double cover, double pack, double quantity) {
        assertThat(of(d, 1, 7, 1, 0.95, pack, cover).orderQuantity()).isCloseTo(quantity, within(1e-9));
    }

    /** Against a hundred thousand lead times drawn by hand. */
    @Test
    void theReorderPointLastsAsOftenAsWanted() {
        ReorderItem item = new ReorderItem(12.0, 3.0, 9.0, 2.0, 0.9, 1.0, 30.0);
        double point = Reorder.of(item).reorderPoint();
        Random random = new Random(3);
        int enough = 0;
        for (int i = 0; i < 100_000; i++) {
            double lead = 9 + 2 * random.nextGaussian();
            enough += 12 * lead + 3 * Math.sqrt(Math.max(0, lead)) * random.nextGaussian() <= point ? 1 : 0;
        }
        assertThat(enough / 100_000.0).isCloseTo(0.9, within(0.01));
        assertThat(Reorder.runsOut(item, point)).isCloseTo(0.1, within(1e-9));
    }

    /**
     * Poisson table, from memory: mean 0.21 0.8106 at 0; mean 1 0.9810 at 3; mean 2 0.9473 at 4 and 0.9834 at 5; mean
     * 10 0.9513 at 15.
     */
    @ParameterizedTest
    @CsvSource({
        "0.03, 7, 0.99, 2",
        "0.03, 7, 0.97, 1",
        "0.01, 7, 0.95, 1",
        "0.2, 5, 0.98, 3",
        "0.5, 4, 0.94, 4",
        "0.5, 4, 0.95, 5",
        "2, 5, 0.95, 15",
        "0.03, 7, 0.8, 0"
    })
    void whatIsUsedSlowlyGoesByThePoissonTable(double daily, double lead, double level, double point) {
        assertThat(of(daily, Math.sqrt(daily), lead, 0, level, 1, 30).reorderPoint())
                .isEqualTo(point);
    }

    /** Two every day, a week: 14 and hardly more, where chance alone would ask for 20. */
    @Test
    void steadyUseAsksForLess() {
        assertThat(of(2, 0.2, 7, 0, 0.95, 1, 30).reorderPoint()).isEqualTo(15);
        assertThat(of(2, 0, 7, 0, 0.95, 1, 30).reorderPoint()).isEqualTo(14);
        assertThat(of(2, Math.sqrt(2), 7, 0, 0.95, 1, 30).reorderPoint()).isEqualTo(20);
    }

    /** From 0.01 to 20 a day the wanted level is held, at most half a point less, ordered at whole pieces. */
    @ParameterizedTest
    @CsvSource({
        "0.01, 7, 0.95",
        "0.03, 7, 0.99",
        "0.1, 14, 0.9",
        "0.7, 7, 0.98",
        "2.5, 7, 0.95",
        "2.9, 7, 0.99",
        "6, 7, 0.99",
        "20, 7, 0.95",
        "20, 7, 0.99"
    })
    void theWantedLevelIsHeld(double daily, double lead, double level) {
        double point = of(daily, Math.sqrt(daily), lead, 0, level, 1, 30).reorderPoint();
        double reached = PoissonDistribution.of(daily * lead).cumulativeProbability((int) Math.ceil(point));
        assertThat(reached).isGreaterThanOrEqualTo(level - 0.005);
    }

    /** Days that scatter more than chance and a lead time that does too: drawn as Poisson with a gamma mean. */
    @Test
    void whatScattersMoreAsksForMore() {
        ReorderItem item = new ReorderItem(0.8, 1.6, 7.0, 3.0, 0.95, 1.0, 30.0);
        double variance = 7 * 1.6 * 1.6 + 0.64 * 9;
        double shape = 5.6 * 5.6 / (variance - 5.6);
        GammaDistribution rates = GammaDistribution.of(shape, 5.6 / shape);
        Random random = new Random(6);
        double point = Reorder.of(item).reorderPoint();
        int enough = 0;
        for (int i = 0; i < 5_000; i++) {
            double uniform = random.nextDouble();
            enough += PoissonDistribution.of(Math.max(1e-9, rates.inverseCumulativeProbability(random.nextDouble())))
                                    .inverseCumulativeProbability(uniform)
                            <= point
                    ? 1
                    : 0;
        }
        assertThat(enough / 5_000.0).isBetween(0.95, 0.985);
        assertThat(point).isGreaterThan(of(0.8, 0.9, 7, 0, 0.95, 1, 30).reorderPoint());
        assertThat(Reorder.runsOut(item, point)).isLessThanOrEqualTo(0.05);
        assertThat(Reorder.runsOut(item, point - 1)).isGreaterThan(0.05);
    }

    @Test
    void aServiceLevelOfOneIsNone() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> of(1, 1, 1, 1, 1, 1, 30))
                .withMessageContaining("service level");
        assertThatIllegalArgumentException().isThrownBy(() -> of(-1, 1, 1, 1, 0.9, 1, 30));
        assertThatIllegalArgumentException().isThrownBy(() -> of(1, Double.NaN, 1, 1, 0.9, 1, 30));
        assertThatIllegalArgumentException().isThrownBy(() -> of(1, 1, 1, 1, 0.9, 0, 30));
    }

    /** Ten, nothing, two, nothing: mean 3, sd √((49 + 9 + 1 + 9)/3) = 4.761. */
    @Test
    void demandCountsDaysWithoutUse() {
        DailyDemand d = DailyDemand.of(Map.of("monday", 10.0, "wednesday", 2.0), 4);
        assertThat(d.mean()).isEqualTo(3);
        assertThat(d.sd()).isCloseTo(4.761, within(1e-3));
        assertThat(DailyDemand.of(Map.of(), 30).mean()).isZero();
        assertThatIllegalArgumentException().isThrownBy(() -> DailyDemand.of(Map.of(1, 1.0, 2, 1.0), 1));
    }
}
