package keel.app.stores;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import org.junit.jupiter.api.Test;

/** When a print was left in the bath too long; the leeway is common practice, no source. */
class BathedTest {

    private static final Instant IN = Instant.parse("2026-03-09T10:00:00Z");

    @Test
    void aQuarterOfAnHourBeyondItsTimeIsTooLong() {
        Instant twenty = IN.plusSeconds(20 * 60);
        assertThat(new Bathed(IN, twenty, 1).tooLong(300, twenty)).isFalse();
        assertThat(new Bathed(IN, twenty.plusSeconds(1), 1).tooLong(300, twenty))
                .isTrue();
        assertThat(new Bathed(IN, twenty.plusSeconds(1), 2).tooLong(300, twenty))
                .as("two baths take twice the time")
                .isFalse();
    }

    @Test
    void whatIsStillInCountsUntilNow() {
        assertThat(new Bathed(IN, null, 1).tooLong(300, IN.plusSeconds(3600))).isTrue();
        assertThat(new Bathed(IN, null, 1).tooLong(300, IN.plusSeconds(60))).isFalse();
    }
}
