package keel.core.guide;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

/** By hand; how many times tell something is common practice, no source. */
class LearnedMinutesTest {

    @Test
    void theMedianOfSeveralCountsAndOneClickThroughDoesNot() {
        assertThat(LearnedMinutes.of(50, List.of(1.0, 0.5, 44.0, 61.0)))
                .as("two real ones only")
                .isEmpty();
        assertThat(LearnedMinutes.of(50, List.of(44.0, 1.0, 61.0, 48.0))).contains(new LearnedMinutes(48, 51, 3));
        assertThat(LearnedMinutes.of(50, List.of(44.0, 61.0, 48.0, 52.0))).contains(new LearnedMinutes(50, 51.25, 4));
        assertThat(LearnedMinutes.of(50, List.of())).isEmpty();
    }

    @Test
    void aPauseIsNoWork() {
        assertThat(LearnedMinutes.work(240, null)).isEqualTo(240);
        assertThat(LearnedMinutes.work(3 * 3600, null)).as("went home").isZero();
        assertThat(LearnedMinutes.work(35 * 60, 30 * 60))
                .as("waits for its timer")
                .isEqualTo(35 * 60);
        assertThat(LearnedMinutes.work(20 * 3600, 30 * 60)).isEqualTo(30 * 60);
        assertThat(LearnedMinutes.work(-5, null)).as("a clock put back").isZero();
    }
}
