package keel.core.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import keel.core.placement.PlacedPart;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import org.junit.jupiter.api.Test;

/** Factors are common practice, no source; their products are reckoned by hand. */
class ScreenConditionTest {

    private static final Spot DOT = new Spot(SpotKind.DARK, 40, 30, 2, 1);
    private static final Spot LINE = Spot.line(100, 40, 0.2, 80, true, 1);

    private static ScreenCondition seen(List<Spot> spots, long newOrGrown) {
        return new ScreenCondition(spots, newOrGrown, spots.isEmpty(), null, Instant.EPOCH);
    }

    @Test
    void whereNothingIsKnownOfTheJobOnlyNewSpotsCount() {
        assertThat(seen(List.of(), 0).failsWithin(0.1, 8, 2)).isCloseTo(1 - Math.pow(0.9, 0.7), within(1e-12));
        assertThat(seen(List.of(DOT), 0).failsWithin(0.1, 8, 2)).isCloseTo(1 - Math.pow(0.9, 1.5), within(1e-12));
        assertThat(seen(List.of(DOT, LINE), 9).failsWithin(0.1, 8, 2))
                .as("no more than three new ones count")
                .isCloseTo(1 - Math.pow(0.9, 1.5 * 1.4 * 1.4 * 1.4), within(1e-12));
        assertThat(seen(List.of(), 0).failsWithin(0, 8, 2)).isZero();
    }

    @Test
    void aJobThatLiesOverASpotIsSpoiledMoreOften() {
        ScreenCondition screen = seen(List.of(DOT, LINE), 0);
        assertThat(screen.under(List.of(new PlacedPart(40, 30, 20, 20, 0))).failsWithin(0, 8, 2))
                .isCloseTo(0.3, within(1e-12));
        assertThat(screen.under(List.of(new PlacedPart(70, 30, 80, 20, 0))).failsWithin(0, 8, 2))
                .isCloseTo(1 - 0.7 * 0.3, within(1e-12));
        assertThat(screen.under(List.of(new PlacedPart(70, 60, 20, 20, 0))).failsWithin(0, 8, 2))
                .isZero();
        assertThat(screen.under(List.of()).job())
                .as("nobody says what it covers")
                .isNull();
    }

    @Test
    void itSaysWhatWasSeen() {
        assertThat(seen(List.of(), 0).words()).isEqualTo("no spot was seen on it");
        assertThat(seen(List.of(DOT), 1).words()).isEqualTo("1 spot, 1 new or grown");
        ScreenCondition somewhere = new ScreenCondition(List.of(), 0, false, null, Instant.EPOCH);
        assertThat(somewhere.words()).as("nobody said where").isEqualTo("it was not in order");
        assertThat(somewhere.factor()).isEqualTo(1.5);
    }
}
