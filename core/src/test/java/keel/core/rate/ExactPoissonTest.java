package keel.core.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ExactPoissonTest {

    /**
     * By hand from the table of chances. Mean 2: 0.1353 0.2707 0.2707 0.1804 0.0902, so 5 and more 0.0527. Mean 1: 5
     * and more 0.0037. Mean 5: none 0.0067, and from 12 on 0.0055.
     */
    @ParameterizedTest
    @CsvSource({"5, 2, 0.05265", "5, 1, 0.00366", "0, 5, 0.01219", "2, 2, 1", "0, 0, 1", "3, 0, 0"})
    void thePValueIsTheSumOfTheNoLikelierOnes(int count, double expected, double p) {
        assertThat(ExactPoisson.p(count, expected)).isCloseTo(p, within(2e-5));
    }

    @Test
    void whatCannotBeIsSaid() {
        assertThatIllegalArgumentException().isThrownBy(() -> ExactPoisson.p(-1, 2));
        assertThatIllegalArgumentException().isThrownBy(() -> ExactPoisson.p(1, Double.NaN));
    }
}
