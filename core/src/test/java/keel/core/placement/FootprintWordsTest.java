package keel.core.placement;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import keel.core.Findings;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FootprintWordsTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "60x40 | 60 x 40",
                "60 × 40 mm | 60 x 40",
                "60 by 40.5 | 60 x 40.5",
                "3 of 20x15 | 3 of 20 x 15",
                "20x15, 20x15; 60*40 | 2 of 20 x 15, 60 x 40",
                "  2 OF 8 X 9  | 2 of 8 x 9"
            })
    void sizesAreReadAsTheyAreTyped(String typed, String read) {
        Findings findings = new Findings();
        assertThat(FootprintWords.text(FootprintWords.sizes(typed, "f", findings)))
                .isEqualTo(read);
        assertThat(findings.none()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "60",
                "60x",
                "wide",
                "60x40x20",
                "-60x40",
                "0x40",
                "99999x2",
                "3 of",
                "61 of 2x2",
                "60x40, and more",
                "NaNx3"
            })
    void whatIsNoneIsSaidAndNothingIsGuessed(String typed) {
        Findings findings = new Findings();
        assertThat(FootprintWords.sizes(typed, "f", findings)).isEmpty();
        assertThat(findings.list()).hasSize(1);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "72 40 60",
                "72 40 60 40 90 1",
                "a b c d",
                "72 40 0 40",
                "72 40 NaN 40",
                "72 40 60 40 4.5",
                "72 1e9 60 40"
            })
    void linesThatAreNoRectanglesAreSaid(String line) {
        Findings findings = new Findings();
        assertThat(FootprintWords.parts("10 10 5 5\n" + line, "p", findings)).isEmpty();
        assertThat(findings.list()).singleElement().satisfies(f -> assertThat(f.message())
                .contains("is no rectangle"));
    }

    @Test
    void nothingIsNothing() {
        Findings findings = new Findings();
        assertThat(FootprintWords.sizes(null, "f", findings)).isEmpty();
        assertThat(FootprintWords.parts("  ", "p", findings)).isEmpty();
        assertThat(FootprintWords.parts("1 1 1 1\n".repeat(201), "p", findings)).isEmpty();
        assertThat(findings.list()).singleElement().satisfies(f -> assertThat(f.message())
                .contains("More than 200"));
    }

    /** Written and read again they are the same to a tenth of a millimetre. */
    @Property
    void linesAreReadAsTheyWereWritten(
            @ForAll @DoubleRange(min = 0, max = 300) double x,
            @ForAll @DoubleRange(min = 0.1, max = 300) double length,
            @ForAll @IntRange(min = 0, max = 179) int turn) {
        PlacedPart part = new PlacedPart(Math.round(10 * x) / 10.0, 40, Math.round(10 * length) / 10.0, 7.5, turn);
        assertThat(FootprintWords.parts(FootprintWords.lines(List.of(part, part)), "p", new Findings()))
                .containsExactly(part, part);
    }
}
