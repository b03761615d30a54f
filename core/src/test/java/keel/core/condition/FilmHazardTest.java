package keel.core.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import keel.core.film.Clouding;
import org.junit.jupiter.api.Test;

/** Factors are common practice, no source; their products are reckoned by hand. */
class FilmHazardTest {

    @Test
    void aFilmOfWhichNothingIsKnownIsLikeAnyOther() {
        assertThat(new FilmHazard(null, 0, 0, 0, 0, false, null).factor()).isEqualTo(1);
    }

    @Test
    void whatWasSeenMultiplies() {
        assertThat(new FilmHazard(Clouding.CLEAR, 0, 0, 0, 0, false, 20.0).factor())
                .isCloseTo(0.75, within(1e-12));
        assertThat(new FilmHazard(Clouding.HAZY, 0, 2, 1, 0, false, null).factor())
                .as("one dent beside, one under the job")
                .isCloseTo(1.3 * 1.6, within(1e-12));
        assertThat(new FilmHazard(Clouding.HAZY, 0, 9, 0, 1, true, -350.0).factor())
                .as("no more than three dents count")
                .isCloseTo(1.3 * 1.3 * 1.3 * 1.15 * 6 * 2.5, within(1e-9));
        assertThat(new FilmHazard(Clouding.HAZY, 0, 0, 0, 0, false, 130.0).factor())
                .isCloseTo(1.5, within(1e-12));
    }
}
