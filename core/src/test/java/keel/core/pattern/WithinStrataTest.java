package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keel.core.pattern.WithinStrata.Table;
import org.junit.jupiter.api.Test;

/**
 * Against the admissions to six departments (Bickel, Hammel and O'Connell, Science 187, 1975; R's data set
 * UCBAdmissions): refused men and women; R's {@code mantelhaen.test(UCBAdmissions, correct = FALSE)} gives a common
 * odds ratio of 0.9046968 (men admitted) and X² = 1.5246, p = 0.2169 (from memory).
 */
class WithinStrataTest {

    private static final List<Table> DEPARTMENTS = List.of(
            new Table(825, 313, 108, 19),
            new Table(560, 207, 25, 8),
            new Table(325, 205, 593, 391),
            new Table(417, 279, 375, 244),
            new Table(191, 138, 393, 299),
            new Table(373, 351, 341, 317));

    @Test
    void agreesWithTheAdmissions() {
        WithinStrata within = WithinStrata.of(DEPARTMENTS);

        assertThat(1 / within.odds()).isCloseTo(0.9046968, within(1e-6));
        assertThat(within.p()).isCloseTo(0.2169, within(5e-5));
        assertThat(within.compared()).isEqualTo(2691);
    }

    /** Thrown together, women were refused far more often. */
    @Test
    void thrownTogetherItLooksOtherwise() {
        Table all = new Table(2691, 1493, 1835, 1278);

        assertThat(WithinStrata.of(List.of(all)).p()).isLessThan(1e-15);
    }

    @Test
    void whereNothingCanBeComparedNothingIsSaid() {
        WithinStrata within = WithinStrata.of(List.of(new Table(10, 5, 0, 0), new Table(0, 0, 8, 1)));

        assertThat(within.p()).isEqualTo(1);
        assertThat(within.compared()).isZero();
    }
}
