package keel.core.rate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import keel.core.rate.RateDifference.Verdict;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SuccessRateTest {

    /** Newcombe 1998, Statistics in Medicine 17, 857, table I, method 3. */
    @ParameterizedTest
    @CsvSource({"81, 263, 0.2553, 0.3662", "15, 148, 0.0624, 0.1605", "0, 20, 0, 0.1611", "1, 29, 0.0061, 0.1718"})
    void wilsonsIntervalsAreThoseOfTheTable(int good, int runs, double low, double high) {
        SuccessRate rate = SuccessRate.of(good, runs);
        assertThat(rate.low()).isCloseTo(low, within(5e-5));
        assertThat(rate.high()).isCloseTo(high, within(5e-5));
    }

    /** Newcombe 1998, Statistics in Medicine 17, 873, table II, method 10, from memory. */
    @ParameterizedTest
    @CsvSource({
        "56, 70, 48, 80, 0.2000, 0.0524, 0.3339",
        "9, 10, 3, 10, 0.6000, 0.1705, 0.8090",
        "5, 56, 0, 29, 0.0893, -0.0381, 0.1926"
    })
    void theDifferencesAreThoseOfTheTable(
            int good1, int runs1, int good2, int runs2, double difference, double low, double high) {
        RateDifference d = RateDifference.between(SuccessRate.of(good1, runs1), SuccessRate.of(good2, runs2));
        assertThat(d.difference()).isCloseTo(difference, within(5e-5));
        assertThat(d.low()).isCloseTo(low, within(5e-5));
        assertThat(d.high()).isCloseTo(high, within(5e-5));
    }

    @Test
    void betterAndWorseAreSaidOnlyWhereTheIntervalDoes() {
        SuccessRate many = SuccessRate.of(56, 70);
        SuccessRate fewer = SuccessRate.of(48, 80);
        assertThat(RateDifference.between(many, fewer).verdict()).isEqualTo(Verdict.BETTER);
        assertThat(RateDifference.between(fewer, many).verdict()).isEqualTo(Verdict.WORSE);
        assertThat(RateDifference.between(SuccessRate.of(3, 3), SuccessRate.of(2, 3))
                        .verdict())
                .isEqualTo(Verdict.CANNOT_TELL);
    }

    @ParameterizedTest
    @CsvSource({"0, 0", "-1, 5", "6, 5", "1, -1"})
    void whatCannotBeIsRefused(int good, int runs) {
        assertThatThrownBy(() -> SuccessRate.of(good, runs)).isInstanceOf(IllegalArgumentException.class);
    }
}
