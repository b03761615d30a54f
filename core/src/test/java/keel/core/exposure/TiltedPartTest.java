package keel.core.exposure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class TiltedPartTest {

    /** sin 30° = 1/2, cos 30° = √3/2, sin 45° = √2/2: exact values of school trigonometry. */
    @ParameterizedTest
    @CsvSource({"100, 20, 0, 20", "100, 20, 90, 100", "100, 20, 30, 67.3205", "100, 20, 45, 84.8528"})
    void aTiltedBoxStandsLSinPlusHCos(double length, double height, double degrees, double expected) {
        assertThat(new TiltedPart(length, height).heightAt(degrees)).isCloseTo(expected, within(1e-3));
    }

    /** Common practice: a wide part at 30° stands about three times as tall. */
    @Test
    void aWidePartAtThirtyDegreesIsAboutThreeTimesAsTall() {
        assertThat(new TiltedPart(110, 26).heightAt(30) / 26).isBetween(2.7, 3.3);
    }

    @Test
    void layersAreWhole() {
        assertThat(new TiltedPart(100, 20).layersAt(0, 0.05)).isEqualTo(400);
        assertThat(new TiltedPart(100, 20).layersAt(30, 0.05)).isEqualTo(1347);
    }

    @Test
    void whatIsNoPartIsRefused() {
        assertThatThrownBy(() -> new TiltedPart(0, 20)).hasMessageContaining("more than 0");
        assertThatThrownBy(() -> new TiltedPart(100, Double.NaN)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new TiltedPart(100, 20).heightAt(91)).hasMessageContaining("90");
        assertThatThrownBy(() -> new TiltedPart(100, 20).layersAt(10, 0)).hasMessageContaining("0 mm");
    }
}
