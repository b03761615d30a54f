package keel.core.failure;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Common practice: a cause counts as found only when a later good print got past the point of failure. */
class FixHeldTest {

    private static final Instant VERDICT = Instant.parse("2025-05-01T12:00:00Z");

    @Test
    void aLaterGoodRunPastThePointOfFailureConfirms() {
        assertThat(FixHeld.by(List.of(run(1, 900)), 610, VERDICT)).isTrue();
    }

    @Test
    void aShorterRunDoesNot() {
        assertThat(FixHeld.by(List.of(run(1, 609)), 610, VERDICT)).isFalse();
    }

    @Test
    void aRunBeforeTheVerdictDoesNot() {
        assertThat(FixHeld.by(List.of(run(-1, 900)), 610, VERDICT)).isFalse();
    }

    @Test
    void whereNobodyKnowsTheLayerAnyGoodRunWillDo() {
        assertThat(FixHeld.by(List.of(run(0, 10)), null, VERDICT)).isTrue();
        assertThat(FixHeld.by(List.of(), null, VERDICT)).isFalse();
    }

    private static FixHeld.GoodRun run(int hoursLater, int layers) {
        return new FixHeld.GoodRun(VERDICT.plusSeconds(3600L * hoursLater), layers);
    }
}
