package keel.core.scale;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;
import keel.core.scale.ScaleCorrection.Measurement;
import org.apache.commons.statistics.distribution.TDistribution;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ScaleCorrectionTest {

    private static List<Measurement> of(double nominal, double... measured) {
        return DoubleStream.of(measured)
                .mapToObj(m -> new Measurement(nominal, m))
                .toList();
    }

    /** Two-sided 95 % points of Student's t: 12.706, 4.303, 2.776, 2.228; NIST/SEMATECH e-Handbook 1.3.6.7.2. */
    @ParameterizedTest
    @CsvSource({"1, 12.706", "2, 4.303", "4, 2.776", "10, 2.228"})
    void theQuantilesAreThePublishedOnes(int freedom, double t) {
        assertThat(TDistribution.of(freedom).inverseCumulativeProbability(0.975))
                .isCloseTo(t, within(0.001));
    }

    /**
     * By hand: 20.4, 20.3, 20.5 for 20 mm; ratios 0.98039, 0.98522, 0.97561, mean 0.98041, s 0.00481, half width
     * 4.303·s/√3 = 0.01194.
     */
    @Test
    void twoPercentTooLargeIsCorrectedWithItsInterval() {
        ScaleCorrection scale = ScaleCorrection.of(of(20, 20.4, 20.3, 20.5));
        assertThat(scale.factor()).isCloseTo(0.98041, within(1e-5));
        assertThat(scale.high() - scale.factor()).isCloseTo(0.01194, within(2e-5));
        assertThat(scale.factor() - scale.low()).isCloseTo(0.01194, within(2e-5));
        assertThat(scale.offsetMm()).isNull();
        assertThat(scale.correct()).isTrue();
    }

    @Test
    void noneIsProposedWhileOneLiesInTheInterval() {
        assertThat(ScaleCorrection.of(of(20, 20.4, 19.7, 20.3)).correct()).isFalse();
        ScaleCorrection single = ScaleCorrection.of(of(20, 20.4));
        assertThat(single.correct()).isFalse();
        assertThat(single.low()).isNull();
    }

    /** measured = 0.1 + 1.02·nominal exactly: the scale is 1/1.02 and the bleed 0.1 mm, whatever the lengths. */
    @Test
    void severalLengthsTellARatioFromAnOffset() {
        ScaleCorrection scale = ScaleCorrection.of(DoubleStream.of(5, 10, 20, 40)
                .mapToObj(n -> new Measurement(n, 0.1 + 1.02 * n))
                .toList());
        assertThat(scale.factor()).isCloseTo(1 / 1.02, within(1e-9));
        assertThat(scale.offsetMm()).isCloseTo(0.1, within(1e-9));
        assertThat(scale.correct()).isTrue();
    }

    @Test
    void bleedAloneIsNoMatterOfScale() {
        double[] noise = {0.01, -0.012, 0.008, -0.006};
        List<Measurement> bled = new ArrayList<>();
        double[] nominal = {5, 10, 20, 40};
        for (int i = 0; i < 4; i++) {
            bled.add(new Measurement(nominal[i], nominal[i] + 0.15 + noise[i]));
        }
        ScaleCorrection scale = ScaleCorrection.of(bled);
        assertThat(scale.offsetMm()).isCloseTo(0.15, within(0.02));
        assertThat(scale.correct()).isFalse();
    }

    @Test
    void twoLengthsOnceEachGiveNoInterval() {
        ScaleCorrection scale = ScaleCorrection.of(List.of(new Measurement(10, 10.2), new Measurement(40, 40.8)));
        assertThat(scale.factor()).isCloseTo(1 / 1.02, within(1e-9));
        assertThat(scale.high()).isNull();
        assertThat(scale.correct()).isFalse();
    }

    /** Three times the same reading: the calipers say it no better than to half a step, 0.005 in 20 mm. */
    @Test
    void whatTheCalipersDoNotShowStaysOpen() {
        ScaleCorrection same = ScaleCorrection.of(of(20, 20.01, 20.01, 20.01));
        assertThat(same.factor() - same.low()).isCloseTo(0.005 / 20, within(2e-6));
        assertThat(same.correct()).as("0.01 in 20 mm is two of such halves").isTrue();
        assertThat(ScaleCorrection.of(of(20, 20.01, 20.01, 20.01), 0.1).correct())
                .as("with a rule that shows tenths")
                .isFalse();
        assertThatIllegalArgumentException().isThrownBy(() -> ScaleCorrection.of(of(20, 20.01), -1));
    }

    @Test
    void whatCannotBeIsSaid() {
        assertThatIllegalArgumentException().isThrownBy(() -> ScaleCorrection.of(List.of()));
        assertThatIllegalArgumentException()
                .isThrownBy(() -> ScaleCorrection.of(of(0, 1)))
                .withMessageContaining("nominal");
        assertThatIllegalArgumentException()
                .isThrownBy(() -> ScaleCorrection.of(of(20, 204)))
                .withMessageContaining("unit");
        assertThatIllegalArgumentException().isThrownBy(() -> ScaleCorrection.of(of(20, Double.NaN)));
    }
}
