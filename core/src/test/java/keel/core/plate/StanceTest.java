package keel.core.plate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Set;
import keel.core.plate.FirstLayerTest.Finding;
import keel.core.plate.FirstLayerTest.Patch;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StanceTest {

    /** Span times the tangent: 5 mm/m over 300 mm is 1.5 mm; a degree is 17.455 mm/m. */
    @Test
    void aShimIsSpanTimesSlopeUnderTheLowSide() {
        assertThat(Stance.level(5, 300, true)).isEqualTo(new Stance(Stance.Foot.LEFT, 1.5));
        assertThat(Stance.level(-5, 300, true).foot()).isEqualTo(Stance.Foot.RIGHT);
        assertThat(Stance.level(5, 300, false).foot()).isEqualTo(Stance.Foot.FRONT);
        assertThat(Stance.level(0.2, 300, true).foot()).isEqualTo(Stance.Foot.NONE);
        assertThat(Stance.mmPerMetre(1)).isCloseTo(17.455, within(0.001));
        assertThatIllegalArgumentException().isThrownBy(() -> Stance.level(5, 0, true));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> Stance.level(500, 300, true))
                .withMessageContaining("believable");
        assertThatIllegalArgumentException().isThrownBy(() -> Stance.level(Double.NaN, 300, true));
    }

    @Test
    void theCornerThatLiftsIsShimmedByItsGap() {
        assertThat(Stance.rocking(Stance.Foot.BACK_LEFT, 0.8)).isEqualTo(new Stance(Stance.Foot.BACK_LEFT, 0.8));
        assertThat(Stance.rocking(Stance.Foot.BACK_LEFT, 0.05).foot()).isEqualTo(Stance.Foot.NONE);
        assertThatIllegalArgumentException().isThrownBy(() -> Stance.rocking(Stance.Foot.BACK_LEFT, -1));
    }

    /** Rows are given from the back to the front; # held. Common practice, no source. */
    @ParameterizedTest
    @CsvSource({
        "###/###/###, ALL_HELD, Every",
        ".../.../..., NOTHING_HELD, Nothing",
        ".##/.##/.##, LOW_SIDE, left side",
        "##./##./##., LOW_SIDE, right side",
        "###/###/..., LOW_SIDE, front side",
        ".../###/###, LOW_SIDE, back side",
        "###/#.#/###, SPOT, B2",
        "#####/#..##/#####/#####, SPOT, B3 C3",
        "#.###/#####/##.##/#####/.####, SCATTERED, here and there"
    })
    void whatHeldSaysWhatIsWrong(String patches, Finding finding, String words) {
        String[] rows = patches.split("/");
        Set<Patch> held = new HashSet<>();
        for (int r = 0; r < rows.length; r++) {
            for (int c = 0; c < rows[r].length(); c++) {
                if (rows[r].charAt(c) == '#') {
                    held.add(new Patch(c, rows.length - 1 - r));
                }
            }
        }
        FirstLayerTest test = FirstLayerTest.of(rows[0].length(), rows.length, held);
        assertThat(test.finding()).isEqualTo(finding);
        assertThat(test.says()).contains(words);
        assertThat(test.next()).endsWith(".");
    }

    /** A plane by hand: 4 mm/m over 300 mm is 1.2 mm on the left, 2 mm/m over 400 mm is 0.8 mm at the front. */
    @Test
    void readingsBothWaysGiveAShimForEachFoot() {
        assertThat(Stance.shims(4, 2, 300, 400)).satisfies(shims -> {
            assertThat(shims.get(Stance.Foot.FRONT_LEFT)).isCloseTo(2.0, within(1e-9));
            assertThat(shims.get(Stance.Foot.BACK_LEFT)).isCloseTo(1.2, within(1e-9));
            assertThat(shims.get(Stance.Foot.FRONT_RIGHT)).isCloseTo(0.8, within(1e-9));
            assertThat(shims.get(Stance.Foot.BACK_RIGHT)).isZero();
        });
        assertThat(Stance.shims(-4, 0, 300, 400))
                .containsEntry(Stance.Foot.FRONT_LEFT, 0.0)
                .containsEntry(Stance.Foot.BACK_RIGHT, 1.2);
    }
}
