package keel.core.bring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import keel.core.bring.Cells.DayOrder;
import keel.core.bring.Cells.Decimals;
import keel.core.run.Outcome;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Cells as spreadsheets of several countries write them. Zones and summer time by the tz database that Java ships. */
class CellsTest {

    private static final ZoneId AMSTERDAM = ZoneId.of("Europe/Amsterdam");

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "84|84", "84,5|84.5", "84.5|84.5", "1.234,5|1234.5", "1,234.5|1234.5", "1 234,5|1234.5",
                "1'234.5|1234.5", "1.234.567|1234567", "1,234,567|1234567", "84 ml|84", "84,5ml|84.5", "-3|-3",
                "2,35 s|2.35", "0,05|0.05", "1.234|1.234", "1,234|1.234"
            })
    void readsNumbers(String text, double number) {
        assertThat(Cells.number(text)).isCloseTo(number, within(1e-12));
    }

    @Test
    void theTableTellsWhatAMarkIs() {
        assertThat(Decimals.of(List.of("Hinge", "1.000", "84,5"))).isEqualTo(Decimals.COMMA);
        assertThat(Decimals.of(List.of("1,000", "2.35 s"))).isEqualTo(Decimals.POINT);
        assertThat(Decimals.of(List.of("1.000", "04.02.2025", "5"))).isEqualTo(Decimals.UNKNOWN);
        assertThat(Cells.number("1.250", Decimals.COMMA)).isEqualTo(1250);
        assertThat(Cells.number("1.250", Decimals.POINT)).isEqualTo(1.25);
        assertThat(Cells.number("1,250", Decimals.POINT)).isEqualTo(1250);
        assertThat(Cells.number("12,5", Decimals.POINT)).isEqualTo(12.5);
        assertThat(Cells.whole("1.000")).isEqualTo(1000);
        assertThat(Cells.whole("1,000")).isEqualTo(1000);
        assertThat(Cells.whole("1000.0")).isEqualTo(1000);
        assertThatThrownBy(() -> Cells.whole("1.5")).hasMessageContaining("no whole number");
    }

    @ParameterizedTest
    @ValueSource(strings = {"abc", "", "1..2,", "12 34 ab cd", "--3", "NaN", "1e5"})
    void refusesWhatIsNone(String text) {
        assertThatThrownBy(() -> Cells.number(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "5:20|5.3333333", "5:20:30|5.3416667", "0:45|0.75", "5,5|5.5", "5.25|5.25", "5h20|5.3333333",
                "5 h 20 min|5.3333333", "90 min|1.5", "5h|5", "12|12", "5,5 h|5.5", "101:00|101"
            })
    void readsLengthsOfTime(String text, double hours) {
        assertThat(Cells.hours(text, Decimals.UNKNOWN)).isCloseTo(hours, within(1e-6));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "2025-03-31 14:20|2025-03-31T12:20:00Z", "2025-03-31T14:20|2025-03-31T12:20:00Z",
                "2025-01-31 14:20:05|2025-01-31T13:20:05Z", "2025-03-31T14:20:00Z|2025-03-31T14:20:00Z",
                "2025-03-31T14:20Z|2025-03-31T14:20:00Z", "2025-03-31 14:20+0100|2025-03-31T13:20:00Z",
                "31.03.2025 14:20|2025-03-31T12:20:00Z", "31.3.25 9:05|2025-03-31T07:05:00Z",
                "31/03/2025, 14:20|2025-03-31T12:20:00Z", "2025/03/31|2025-03-30T22:00:00Z",
                "31.03.2025 2:20 PM|2025-03-31T12:20:00Z", "31.03.2025 12:05 am|2025-03-30T22:05:00Z"
            })
    void readsMomentsInTheShopsZone(String text, String moment) {
        assertThat(Cells.moment(text, DayOrder.DAY_FIRST, AMSTERDAM)).isEqualTo(Instant.parse(moment));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"yesterday", "31.02.2025", "2025-13-01", "14:20", "31.03.2025 25:00", "31.03.2025 13:00 PM"})
    void refusesWhatIsNoMoment(String text) {
        assertThatThrownBy(() -> Cells.moment(text, DayOrder.DAY_FIRST, AMSTERDAM))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("no day and time");
    }

    @Test
    void theColumnTellsWhetherDaysOrMonthsStandFirst() {
        assertThat(Cells.order(List.of("03/04/2025", "03/25/2025"))).isEqualTo(DayOrder.MONTH_FIRST);
        assertThat(Cells.order(List.of("03/04/2025", "25/03/2025"))).isEqualTo(DayOrder.DAY_FIRST);
        assertThat(Cells.order(List.of("03/04/2025"))).isEqualTo(DayOrder.DAY_FIRST);
        assertThat(Cells.moment("03/04/2025 10:00", DayOrder.MONTH_FIRST, ZoneId.of("UTC")))
                .isEqualTo(Instant.parse("2025-03-04T10:00:00Z"));
    }

    @Test
    void outcomesAreReadInTheShopsWordsFirst() {
        assertThat(OutcomeWords.of("OK", Map.of())).contains(Outcome.GOOD);
        assertThat(OutcomeWords.of("gerissen", Map.of())).isEmpty();
        assertThat(OutcomeWords.of("Gerissen", Map.of("gerissen", "FAILED"))).contains(Outcome.FAILED);
        assertThat(OutcomeWords.of("ok", Map.of("ok", "USABLE"))).contains(Outcome.USABLE);
        assertThat(Stream.of(Outcome.values())
                        .allMatch(o -> OutcomeWords.of(o.name(), Map.of()).equals(java.util.Optional.of(o))))
                .isTrue();
    }
}
