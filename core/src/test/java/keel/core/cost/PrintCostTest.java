package keel.core.cost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keel.core.cost.PrintCost.CostLine;
import keel.core.cost.PrintCost.Uses;
import org.junit.jupiter.api.Test;

/** Worked by hand; the same print stands in docs/stores.md. */
class PrintCostTest {

    private static Uses uses(Double successRate, List<CostLine> other) {
        return new Uses(85.0, 38.0, 5.5, 1.6, 5.0, 440.0, 78.0, 900.0, 14.0, 18.0, 0.33, 0.31, other, successRate);
    }

    /**
     * 85 ml at 38 a litre 3.23; 5.5 of 440 h of a film at 5: 0.0625; 1.6 of 900 UV h of a screen at 78: 0.1387; 14 min
     * at 18: 4.20; 0.33 kWh at 0.31: 0.1023; towels 0.20: 7.9335.
     */
    @Test
    void thePrintOfTheDocsCostsWhatItSays() {
        PrintCost cost = PrintCost.of(uses(0.85, List.of(new CostLine("Towels", 0.2))));
        assertThat(cost.lines())
                .extracting(CostLine::name)
                .containsExactly("Resin", "Film", "Screen", "Work", "Energy", "Towels");
        assertThat(cost.lines().get(0).amount()).isCloseTo(3.23, within(1e-9));
        assertThat(cost.lines().get(2).amount()).isCloseTo(0.138667, within(1e-6));
        assertThat(cost.perAttempt()).isCloseTo(7.9335, within(1e-4));
        assertThat(cost.perGoodPrint()).as("1/0.85 attempts").isCloseTo(9.3335, within(1e-4));
    }

    @Test
    void whatIsNotKnownCostsNothingAndIsNoLine() {
        PrintCost cost = PrintCost.of(
                new Uses(100.0, 30.0, null, null, null, null, null, null, null, null, null, null, null, null));
        assertThat(cost.lines()).containsExactly(new CostLine("Resin", 3.0));
        assertThat(cost.perGoodPrint()).isEqualTo(3);
        assertThat(PrintCost.of(new Uses(
                                100.0, 0.0, null, null, null, null, null, null, null, null, null, null, null, null))
                        .perAttempt())
                .as("given as free")
                .isZero();
    }

    @Test
    void whatCannotBeIsSaid() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PrintCost.of(uses(0.0, List.of())))
                .withMessageContaining("success rate");
        assertThatIllegalArgumentException().isThrownBy(() -> PrintCost.of(uses(1.2, List.of())));
        assertThatIllegalArgumentException().isThrownBy(() -> PrintCost.of(uses(1.0, List.of(new CostLine(" ", 1)))));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PrintCost.of(
                        new Uses(-1.0, 30.0, null, null, null, null, null, null, null, null, null, null, null, null)));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> PrintCost.of(
                        new Uses(1.0, 30.0, 1.0, null, 5.0, 0.0, null, null, null, null, null, null, null, null)))
                .withMessageContaining("life of a film");
    }
}
