package keel.core.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import keel.core.run.Detail;
import org.junit.jupiter.api.Test;

/** Against the closed form of the conjugate normal update, reckoned by hand. */
class FadingPathTest {

    private static final List<FadingPath.Reading> TWO =
            List.of(new FadingPath.Reading(100, 0.05), new FadingPath.Reading(200, 0.09));

    @Test
    void twoReadingsMoveIt() {
        FadingPath known = new FadingPath(3.4e-4, 1.5e-4).after(TWO, 0.015);
        assertThat(known.mean()).isCloseTo(4.4e-4, within(1e-9));
        assertThat(known.sd()).isCloseTo(6.12372e-5, within(1e-10));
        assertThat(known.beyond(0.22, 450)).isCloseTo(0.212333, within(1e-6));
        assertThat(known.beyond(0.22, 600)).isCloseTo(0.884450, within(1e-6));
        assertThat(known.beyond(0.22, 500)).as("median").isCloseTo(0.5, within(1e-9));
    }

    @Test
    void withoutReadingsItIsAsItWas() {
        FadingPath path = new FadingPath(8e-5, 6e-5).after(List.of(), 0.03);
        assertThat(path.mean()).isCloseTo(8e-5, within(1e-18));
        assertThat(path.sd()).isCloseTo(6e-5, within(1e-18));
    }

    @Test
    void whatIsKnownExactlyIsPassedOrNot() {
        FadingPath sure = new FadingPath(1e-3, 0);
        assertThat(sure.beyond(0.2, 300)).isEqualTo(1);
        assertThat(sure.beyond(0.2, 100)).isZero();
        assertThat(new FadingPath(-1e-3, 1e-4).loss(100))
                .as("a meter that reads more and more makes no light brighter")
                .isZero();
    }

    @Test
    void aLightThatFadedFailsFineWorkFirst() {
        LightCondition dim = new LightCondition(new FadingPath(4e-4, 4e-5), 450, 0, Instant.EPOCH);
        assertThat(dim.failsWithin(0, 8, 2, Detail.FINE)).isGreaterThan(dim.failsWithin(0, 8, 2, Detail.USUAL));
        assertThat(dim.failsWithin(0, 8, 2, Detail.USUAL)).isGreaterThan(dim.failsWithin(0, 8, 2, Detail.ROUGH));
        assertThat(new LightCondition(dim.path(), 450, 0.18, Instant.EPOCH).failsWithin(0.01, 8, 2))
                .as("the exposure makes it up; it may still die")
                .isBetween(0.01, 0.05);
        assertThat(dim.words()).isEqualTo("it gives 84 % of what its first map showed");
    }
}
