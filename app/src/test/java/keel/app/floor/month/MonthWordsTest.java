package keel.app.floor.month;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.YearMonth;
import java.util.List;
import keel.app.floor.month.MonthReport.Cause;
import keel.app.floor.month.MonthReport.Numbers;
import org.junit.jupiter.api.Test;

class MonthWordsTest {

    private static final YearMonth MONTH = YearMonth.of(2026, 2);
    private static final Numbers NOTHING = new Numbers(0, 0, 0, 0, 0, null);

    private static Numbers numbers(int prints, int cameOut) {
        return new Numbers(prints, cameOut, 4 * prints, 10 * prints, 10 * (prints - cameOut), 10.0 * prints / cameOut);
    }

    /** Newcombe's interval, method 10, of 10/20 less 18/20 is about -0.61 to -0.12: by hand from Wilson's limits. */
    @Test
    void aWorseMonthIsCalledSo() {
        List<String> says =
                MonthWords.of(MONTH, numbers(20, 10), numbers(20, 18), List.of(new Cause("Plate tilted", 4, 40)));
        assertThat(says)
                .containsExactly(
                        "20 prints, 10 came out: 50 %.",
                        "January: 18 of 20 came out, 90 %; the difference is more than chance.",
                        "Each that came out cost 20.00, 11.11 the month before; 100 of 200 went into prints that did"
                                + " not.",
                        "Most was lost by: Plate tilted, 40 in 4 prints.");
    }

    /** 17/20 less 18/20: 0 lies well within. */
    @Test
    void chanceIsCalledChance() {
        assertThat(MonthWords.of(MONTH, numbers(20, 17), numbers(20, 18), List.of()))
                .contains("January: 18 of 20 came out, 90 %; the difference is no more than chance.");
    }

    @Test
    void nothingPrintedAndNothingBeforeAreNoZeros() {
        assertThat(MonthWords.of(MONTH, NOTHING, numbers(20, 18), List.of()))
                .containsExactly("No print that began in February has ended.");
        assertThat(MonthWords.of(MONTH, numbers(1, 1), NOTHING, List.of()))
                .containsExactly(
                        "1 print, all came out.",
                        "Each that came out cost 10.00; 0 of 10 went into prints that did not.");
    }
}
