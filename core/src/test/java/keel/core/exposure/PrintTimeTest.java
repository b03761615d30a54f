package keel.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keel.core.Finding;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PrintTimeTest {

    private static PrintTime.Settings settings(int layers, int bottom, int transition) {
        return new PrintTime.Settings(layers, bottom, transition, 30, 2, 0.5, 0.5, 6, 60, 120, 0);
    }

    /**
     * By hand: 10 layers, 2 of 30 s, 3 transitions of 23, 16, 9 s, 5 of 2 s make 118 s of light; each layer waits 1 s
     * and moves 6 + 3 s, so that 10 layers take 218 s.
     */
    @Test
    void addsUpByHand() {
        PrintTime time = PrintTime.of(settings(10, 2, 3));
        assertThat(time.uvOnSeconds()).isCloseTo(118, within(1e-9));
        assertThat(time.seconds()).isCloseTo(218, within(1e-9));
    }

    @Property
    void everyLayerMovesAndTransitionsLieBetween(
            @ForAll @IntRange(min = 10, max = 3000) int layers,
            @ForAll @IntRange(max = 5) int bottom,
            @ForAll @IntRange(max = 5) int transition) {
        PrintTime.Settings s = settings(layers, bottom, transition);
        PrintTime time = PrintTime.of(s);
        assertThat(time.seconds() - time.uvOnSeconds()).isCloseTo(10.0 * layers, within(1e-6));
        double[] exposures = s.exposures();
        for (int i = 1; i < layers; i++) {
            assertThat(exposures[i]).isLessThanOrEqualTo(exposures[i - 1]).isBetween(2.0, 30.0);
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 0, layers", "5, 4, 3, bottomLayers", "-1, 0, 0, layers", "100000, 0, 0, layers"})
    void countsThatCannotBeAreNamed(int layers, int bottom, int transition, String field) {
        assertThat(settings(layers, bottom, transition).findings())
                .extracting(f -> f.field())
                .contains(field);
    }

    @Test
    void aSpeedOfNothingIsRefused() {
        assertThat(new PrintTime.Settings(10, 0, 0, 30, 2, 0, 0, 6, 0, 120, 0).findings())
                .extracting(f -> f.field())
                .containsExactly("liftMmPerMin");
        assertThat(new PrintTime.Settings(10, 0, 0, 30, 2, 0, 0, 6, 60, Double.NaN, 0).findings())
                .extracting(f -> f.field())
                .containsExactly("retractMmPerMin");
    }

    /** By hand: 100 layers of 2 s of light and 1 + 6 + 3 s of moving; a release of 2 s, from layer 41 of 5, 81 of 2. */
    @Test
    void aReleaseThatIsSwitchedCountsFromItsLayer() {
        PrintTime.Settings s = new PrintTime.Settings(100, 0, 0, 30, 2, 0.5, 0.5, 6, 60, 120, 2)
                .switching(List.of(new PrintTime.Release(41, 5), new PrintTime.Release(81, 2)));
        assertThat(PrintTime.of(s).seconds()).isCloseTo(100 * 14 + 40 * 3, within(1e-9));
        assertThat(PrintTime.of(s).uvOnSeconds()).isCloseTo(200, within(1e-9));
        assertThat(PrintTime.secondsThrough(s, 40)).isCloseTo(560, within(1e-9));
        assertThat(PrintTime.secondsThrough(s, 41)).isCloseTo(577, within(1e-9));
        assertThat(PrintTime.layerAt(s, 576.9)).isEqualTo(41);
        assertThat(PrintTime.layerAt(s, 577.1)).isEqualTo(42);
        PrintTime.Settings twice = s.switching(List.of(new PrintTime.Release(41, 5), new PrintTime.Release(41, 2)));
        assertThat(PrintTime.of(twice).seconds())
                .as("the later one at one layer")
                .isCloseTo(1400, within(1e-9));
        assertThat(s.switching(List.of(new PrintTime.Release(5, 400))).findings())
                .extracting(Finding::field)
                .containsExactly("releases");
    }
}
