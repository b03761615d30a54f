package keel.core.cost;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class SharedUseTest {

    /**
     * By hand: 6 gloves a day at 0.11 over 4 prints a day is 1.5 gloves, 0.165; 0.5 l of alcohol at 2.6 over 4 is 0.125
     * l, 0.325.
     */
    @Test
    void aPrintsPartIsADaysUseOverADaysPrints() {
        SharedUse shared = SharedUse.of(
                List.of(
                        new SharedUse.SharedItem("gloves", "Gloves", "pieces", 6, 0.11),
                        new SharedUse.SharedItem("alcohol", "Alcohol", "l", 0.5, 2.6)),
                4);
        assertThat(shared.perPrint()).isCloseTo(0.49, within(1e-12));
        assertThat(shared.lines())
                .extracting(SharedUse.SharedLine::code)
                .as("the dearest first")
                .containsExactly("alcohol", "gloves");
        assertThat(shared.lines().get(1).quantity()).isCloseTo(1.5, within(1e-12));
        assertThat(SharedUse.of(List.of(), 3).perPrint()).isZero();
    }

    @Test
    void withoutPrintsThereIsNothingToShare() {
        assertThatIllegalArgumentException().isThrownBy(() -> SharedUse.of(List.of(), 0));
        assertThatIllegalArgumentException().isThrownBy(() -> SharedUse.of(List.of(), Double.NaN));
    }
}
