package keel.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import keel.core.exposure.ShortestExposure.Seen;
import keel.core.exposure.ShortestExposure.Strip;
import org.junit.jupiter.api.Test;

class ShortestExposureTest {

    private static List<Strip> seen(Object... timesAndSeen) {
        List<Strip> strips = new ArrayList<>();
        for (int i = 0; i < timesAndSeen.length; i += 2) {
            strips.add(new Strip((double) timesAndSeen[i], (Seen) timesAndSeen[i + 1], null));
        }
        return strips;
    }

    @Test
    void theShortestThatHoldsWithAllLongerOnes() {
        ShortestExposure s = ShortestExposure.of(
                seen(2.0, Seen.HELD, 0.5, Seen.GONE, 1.5, Seen.SOFT, 2.5, Seen.HELD, 4.0, Seen.BLED), 0.05);
        assertThat(s.held()).isEqualTo(2.0);
        assertThat(s.failed()).isEqualTo(1.5);
        assertThat(s.take()).isEqualTo(2.0);
        assertThat(String.join(" ", s.notes()))
                .contains("between 1.5 and 2 s", "From 4 s on light bleeds", "looked at, not measured");
    }

    /** 1 s held, 2 s did not: the place is at fault, not the time; what counts is above both. */
    @Test
    void whatContradictsItselfIsSaidAndNothingShorterIsProposed() {
        ShortestExposure s = ShortestExposure.of(seen(1.0, Seen.HELD, 2.0, Seen.SOFT, 3.0, Seen.HELD), 0.05);
        assertThat(s.take()).isEqualTo(3.0);
        assertThat(s.notes()).anyMatch(n -> n.contains("light them again"));
    }

    @Test
    void noneAndAll() {
        assertThat(ShortestExposure.of(seen(1.0, Seen.GONE, 2.0, Seen.SOFT), 0.05)
                        .take())
                .isNull();
        ShortestExposure all = ShortestExposure.of(seen(1.0, Seen.HELD, 2.0, Seen.HELD), 0.05);
        assertThat(all.take()).isEqualTo(1.0);
        assertThat(all.notes()).anyMatch(n -> n.contains("Begin lower"));
    }

    /**
     * Working curve of Dp 0.1 mm and Ec 1 s (Jacobs 1992, ch. 4): e^(0.1/0.1) = 2.718 s cure two layers of 0.05 mm,
     * more than the 2 s that were seen to hold.
     */
    @Test
    void whatWasMeasuredOutweighsWhatLookedGood() {
        List<Strip> strips = new ArrayList<>();
        for (double t : new double[] {1.5, 2, 3, 4}) {
            strips.add(new Strip(t, t < 2 ? Seen.SOFT : Seen.HELD, 0.1 * Math.log(t)));
        }
        ShortestExposure s = ShortestExposure.of(strips, 0.05);
        assertThat(s.byCurve()).isCloseTo(Math.E, within(1e-9));
        assertThat(s.take()).isCloseTo(Math.E, within(1e-9));
        assertThat(s.notes()).anyMatch(n -> n.contains("part in a tall print"));
    }

    @Test
    void oneStripTellsNothing() {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> ShortestExposure.of(seen(2.0, Seen.HELD, 2.0, Seen.GONE), 0.05))
                .withMessageContaining("two strips");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> ShortestExposure.of(seen(0.0, Seen.GONE, 2.0, Seen.HELD), 0.05));
    }
}
