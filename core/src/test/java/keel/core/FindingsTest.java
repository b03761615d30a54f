package keel.core;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FindingsTest {

    @ParameterizedTest
    @ValueSource(doubles = {Double.NaN, Double.POSITIVE_INFINITY, -0.001, 10.001})
    void aNumberOutsideItsRangeOrNoNumberIsFound(double value) {
        Findings findings = new Findings();
        assertThat(findings.range(value, 0, 10, "resinMl", "Resin used", "ml")).isFalse();
        assertThat(findings.list()).singleElement().satisfies(f -> {
            assertThat(f.field()).isEqualTo("resinMl");
            assertThat(f.message()).startsWith("Resin used must be between 0 and 10 ml");
        });
    }

    @ParameterizedTest
    @ValueSource(doubles = {0, 10})
    void theEndsOfARangeBelongToIt(double value) {
        Findings findings = new Findings();
        assertThat(findings.range(value, 0, 10, "x", "X", "")).isTrue();
        assertThat(findings.none()).isTrue();
    }

    @Test
    void aMissingNumberAndABlankTextAreSaidToBeMissing() {
        Findings findings = new Findings();
        findings.range(null, 0, 1, "a", "A", "");
        findings.text("  ", 5, "b", "B");
        findings.text("abcdef", 5, "c", "C");
        assertThat(findings.list())
                .extracting(Finding::message)
                .containsExactly(
                        "A must be between 0 and 1; it is missing.",
                        "B is missing.",
                        "C may have 5 characters at most; this has 6.");
    }
}
