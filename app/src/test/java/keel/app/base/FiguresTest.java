package keel.app.base;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FiguresTest {

    private final Figures figures = new Figures();

    @ParameterizedTest
    @CsvSource({"-0.001, 2, 0.00", "-0.0, 1, 0.0", "-0.006, 2, -0.01", "0.25, 1, 0.2", "12, 0, 12", "-1e-9, 0, 0"})
    void zeroHasNoSign(double value, int decimals, String shown) {
        assertThat(figures.fixed(value, decimals)).isEqualTo(shown);
    }

    @Test
    void whatIsNotKnownIsNoNumber() {
        assertThat(figures.fixed(null, 1)).isNull();
        assertThat(figures.fixed(Double.NaN, 1)).isEqualTo("–");
        assertThat(figures.fixed(Double.POSITIVE_INFINITY, 1)).isEqualTo("–");
    }
}
