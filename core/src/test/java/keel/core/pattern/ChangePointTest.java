package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Collections;
import java.util.List;
import java.util.stream.DoubleStream;
import java.util.stream.IntStream;
import keel.core.pattern.ChangePoint.Kind;
import org.hipparchus.random.Well19937c;
import org.junit.jupiter.api.Test;

/** The Nile at Aswan, 1871 to 1970 (Cobb, Biometrika 65, 1978); small cases counted by hand. */
class ChangePointTest {

    private static final double[] NILE = {
        1120, 1160, 963, 1210, 1160, 1160, 813, 1230, 1370, 1140, 995, 935, 1110, 994, 1020, 960, 1180, 799, 958, 1140,
        1100, 1210, 1150, 1250, 1260, 1220, 1030, 1100, 774, 840, 874, 694, 940, 833, 701, 916, 692, 1020, 1050, 969,
        831, 726, 456, 824, 702, 1120, 1100, 832, 764, 821, 768, 845, 864, 862, 698, 845, 744, 796, 1040, 759, 781, 865,
        845, 944, 984, 897, 822, 1010, 771, 676, 649, 846, 812, 742, 801, 1040, 860, 874, 848, 890, 744, 749, 838, 1050,
        918, 986, 797, 923, 975, 815, 1020, 906, 901, 1170, 912, 746, 919, 718, 714, 740
    };

    @Test
    void theNileFellAfter1898() {
        ChangePoint c = ChangePoint.of(NILE, Kind.MEAN);
        assertThat(c.lastBefore()).hasValue(1898 - 1871);
        assertThat(c.before()).isCloseTo(1097.75, within(0.005));
        assertThat(c.after()).isCloseTo(849.97, within(0.005));
        assertThat(c.p()).isEqualTo(1e-4);
    }

    /** Of seventy orders of four zeros and four ones two are as uneven. */
    @Test
    void fewValuesAreJudgedInAllTheirOrders() {
        ChangePoint c = ChangePoint.of(new double[] {0, 0, 0, 0, 1, 1, 1, 1}, Kind.SHARE);
        assertThat(c.p()).isCloseTo(2.0 / 70, within(1e-12));
        assertThat(c.changed()).as("not at one in a hundred").isFalse();
        assertThat(c.before()).isEqualTo(0.5);
    }

    /** Of C(10, 5) = 252 orders two are as uneven: less than one in a hundred. */
    @Test
    void fiveAndFiveAreEnough() {
        ChangePoint c = ChangePoint.of(new double[] {0, 0, 0, 0, 0, 1, 1, 1, 1, 1}, Kind.SHARE);
        assertThat(c.p()).isCloseTo(2.0 / 252, within(1e-12));
        assertThat(c.lastBefore()).hasValue(4);
        assertThat(c.before()).isZero();
        assertThat(c.after()).isEqualTo(1);
    }

    @Test
    void countsThatRiseAreSeenAndWhere() {
        double[] counts = DoubleStream.concat(
                        IntStream.range(0, 30).mapToDouble(i -> i % 3),
                        IntStream.range(0, 30).mapToDouble(i -> 3 + i % 3))
                .toArray();
        ChangePoint c = ChangePoint.of(counts, Kind.COUNT);
        assertThat(c.lastBefore()).hasValue(29);
        assertThat(c.before()).isCloseTo(1, within(1e-12));
        assertThat(c.after()).isCloseTo(4, within(1e-12));
    }

    @Test
    void aSteadyRowHasNotChanged() {
        assertThat(ChangePoint.of(new double[] {7, 7, 7, 7, 7, 7}, Kind.MEAN).p())
                .isEqualTo(1);
        assertThat(ChangePoint.of(new double[50], Kind.COUNT).changed()).isFalse();
        assertThat(ChangePoint.of(new double[50], Kind.SHARE).p()).isEqualTo(1);
    }

    /** Where nothing changed, p is at most 0.05 about once in twenty. */
    @Test
    void chanceAloneIsSeldomTakenForAChange() {
        Well19937c random = new Well19937c(3);
        long small = IntStream.range(0, 24)
                .filter(k -> ChangePoint.of(
                                        DoubleStream.generate(random::nextGaussian)
                                                .limit(24)
                                                .toArray(),
                                        Kind.MEAN)
                                .p()
                        <= 0.05)
                .count();
        assertThat(small).isLessThanOrEqualTo(4);
    }

    @Test
    void whatIsNotOfItsKindIsRefused() {
        List<double[]> odd =
                List.of(new double[] {1, 2, 3}, new double[] {0, 1, 0, 2}, new double[] {0, 1, Double.NaN, 1});
        odd.forEach(values -> assertThatThrownBy(() -> ChangePoint.of(values, Kind.SHARE))
                .isInstanceOf(IllegalArgumentException.class));
        assertThatThrownBy(() -> ChangePoint.of(new double[] {1, 2, -1, 4}, Kind.COUNT))
                .hasMessageContaining("0 or more");
        double[] many = Collections.nCopies(ChangePoint.MOST_VALUES + 1, 1.0).stream()
                .mapToDouble(v -> v)
                .toArray();
        assertThatThrownBy(() -> ChangePoint.of(many, Kind.MEAN)).hasMessageContaining("More than");
    }
}
