package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import keel.core.film.HoleAdvice.Facts;
import keel.core.film.HoleAdvice.Hole;
import keel.core.film.HoleAdvice.Way;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Which way first; common practice, no source. */
class HoleAdviceTest {

    private static List<Way> ways(Facts f) {
        return HoleAdvice.of(f).stream().map(HoleAdvice::way).toList();
    }

    @ParameterizedTest
    @CsvSource({
        "PIN,      false, 0.3, 1, 4, SPARE_VAT STOP_GAP NEW_FILM",
        "PIN,      false, 0.3, 0, 4, STOP_GAP NEW_FILM",
        "PIN,      false, 0.9, 0, 4, NEW_FILM STOP_GAP",
        "PIN,      false,    , 0, 4, NEW_FILM STOP_GAP",
        "PIN,      false, 0.9, 0, 0, STOP_GAP ORDER",
        "PIN,      true,  0.3, 0, 4, NEW_FILM",
        "LARGE,    false, 0.1, 0, 4, NEW_FILM",
        "LARGE,    false, 0.1, 0, 0, ORDER",
        "LARGE,    false, 0.1, 2, 0, SPARE_VAT ORDER",
        "NOT_SAID, false, 0.1, 0, 4, NEW_FILM STOP_GAP"
    })
    void theBestWayStandsFirst(Hole hole, boolean cured, Double share, int vats, Double sheets, String expected) {
        assertThat(ways(new Facts(false, hole, cured, share, vats, sheets)))
                .containsExactlyElementsOf(
                        Arrays.stream(expected.split(" ")).map(Way::valueOf).toList());
    }

    @Test
    void aLaserTankIsNeverCuredShut() {
        for (Hole hole : Hole.values()) {
            assertThat(ways(new Facts(true, hole, false, 0.1, 0, 1.0))).containsExactly(Way.NEW_TANK);
        }
        assertThat(ways(new Facts(true, Hole.PIN, false, 0.1, 0, 0.0))).containsExactly(Way.ORDER);
    }

    @Test
    void whatIsNotCountedIsNotSaidToBeThere() {
        assertThat(HoleAdvice.of(new Facts(false, Hole.LARGE, false, null, 0, null)))
                .singleElement()
                .satisfies(a -> assertThat(a.why()).contains("not counted"));
    }
}
