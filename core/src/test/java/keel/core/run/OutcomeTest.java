package keel.core.run;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Common practice, no source. */
class OutcomeTest {

    @ParameterizedTest
    @CsvSource({"GOOD,true,false", "USABLE,true,true", "PARTIAL,false,true", "FAILED,false,true", "STOPPED,false,true"})
    void whatCameOutAndWhatHasACauseWorthFinding(Outcome outcome, boolean cameOut, boolean wentWrong) {
        assertThat(outcome.cameOut()).isEqualTo(cameOut);
        assertThat(outcome.wentWrong()).isEqualTo(wentWrong);
    }
}
