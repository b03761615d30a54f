package keel.core.standing;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Who says so holds it too: the advice agrees with the hold that asks for a levelling. */
class LevelAdviceTest {

    @ParameterizedTest
    @CsvSource({
        "FILM_CHANGE, false, Level the plate",
        "FILM_CHANGE, true, It levels itself",
        "VAT_FITTED, true, It levels itself",
        "SCREEN_CHANGE, true, Level the plate",
        "PLATE_WORK, true, Level the plate",
        "CLEAN_UP, false, ''",
        "FILM_CLEANED, true, ''"
    })
    void whatWasTouchedDecides(ServiceKind done, boolean selfLevelling, String says) {
        MachineTraits machine = new MachineTraits(MachineKind.MASK, selfLevelling, false, true, LevelJoint.BALL);
        String advice = LevelAdvice.after(done, machine);
        assertThat(advice).startsWith(says);
        assertThat(advice.isEmpty()).isEqualTo(says.isEmpty());
    }
}
