package keel.core.screen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.ScreenInspection.SpotKind;
import keel.core.screen.SpotsCompared.Compared;
import keel.core.screen.SpotsCompared.Fate;
import org.junit.jupiter.api.Test;

/** How far off the same spot may be is common practice, no source. */
class SpotsComparedTest {

    private static Spot spot(SpotKind kind, double x, double y, double size) {
        return new Spot(kind, x, y, size, 1);
    }

    @Test
    void spotsAreNewTheSameGrownOrGone() {
        List<Spot> then = List.of(
                spot(SpotKind.DARK, 10, 10, 1),
                spot(SpotKind.DARK, 50, 40, 2),
                spot(SpotKind.LIT, 80, 20, 1),
                spot(SpotKind.DARK, 100, 60, 20));
        List<Spot> now = List.of(
                spot(SpotKind.DARK, 10.8, 9.5, 1.1),
                spot(SpotKind.DARK, 50, 40, 4),
                spot(SpotKind.DARK, 80, 20, 1),
                spot(SpotKind.DARK, 107, 60, 21));
        List<Compared> compared = SpotsCompared.of(then, now);
        assertThat(compared)
                .extracting(Compared::fate)
                .containsExactly(Fate.SAME, Fate.GROWN, Fate.NEW, Fate.SAME, Fate.GONE);
        assertThat(compared.get(1).wasMm()).isEqualTo(2);
        assertThat(compared.get(2).wasMm())
                .as("dark where one was lit is another spot")
                .isNull();
        assertThat(compared.get(4).spot().kind()).isEqualTo(SpotKind.LIT);
        assertThat(SpotsCompared.of(List.of(), List.of())).isEmpty();
    }
}
