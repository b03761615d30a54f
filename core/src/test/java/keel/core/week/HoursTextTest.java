package keel.core.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.LocalTime;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class HoursTextTest {

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "8-18|8–18",
                "8:30 – 12, 13 to 17|08:30–12, 13–17",
                "07.45-16.00|07:45–16",
                "9-12 and 14-18|9–12, 14–18",
                "22-6|22–6",
                "18-24|18–0"
            })
    void readsWhatPeopleWrite(String typed, String words) {
        assertThat(HoursText.words(HoursText.read(DayOfWeek.MONDAY, typed))).isEqualTo(words);
        assertThat(HoursText.read(DayOfWeek.MONDAY, words))
                .as("its own words again")
                .isEqualTo(HoursText.read(DayOfWeek.MONDAY, typed));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "morning",
                "8",
                "8-",
                "25-26",
                "8:70-9",
                "9-9",
                "13-17, 8-12",
                "22-6, 8-12",
                "1-2,3-4,5-6,7-8,9-10"
            })
    void saysWhatItCannotRead(String typed) {
        assertThatThrownBy(() -> HoursText.read(DayOfWeek.MONDAY, typed)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void nothingIsNobody() {
        assertThat(HoursText.read(DayOfWeek.SUNDAY, null)).isEmpty();
        assertThat(HoursText.read(DayOfWeek.SUNDAY, " – ")).isEmpty();
        assertThat(HoursText.read(DayOfWeek.MONDAY, "0-24"))
                .containsExactly(new WorkHours.Hours(DayOfWeek.MONDAY, LocalTime.MIDNIGHT, LocalTime.MIDNIGHT));
    }
}
