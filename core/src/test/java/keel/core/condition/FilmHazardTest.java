package keel.core.condition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import keel.core.film.Clouding;
import keel.core.film.FilmMark;
import keel.core.film.FilmMark.MarkKind;
import keel.core.placement.PlacedPart;
import org.junit.jupiter.api.Test;

/** Factors are common practice, no source; their products are reckoned by hand. */
class FilmHazardTest {

    @Test
    void aFilmOfWhichNothingIsKnownIsLikeAnyOther() {
        assertThat(new FilmHazard(null, List.of(), 0, false, null).factor()).isEqualTo(1);
    }

    @Test
    void whatWasSeenMultiplies() {
        assertThat(new FilmHazard(Clouding.CLEAR, List.of(), 0, false, 20.0).factor())
                .isCloseTo(0.75, within(1e-12));
        List<FilmMark> two = List.of(mark(MarkKind.DENT, 20), mark(MarkKind.DENT, 90));
        List<PlacedPart> job = List.of(new PlacedPart(20, 30, 20, 20, 0));
        assertThat(new FilmHazard(Clouding.HAZY, two, 0, false, null).under(job).factor())
                .as("one dent beside, one under the job")
                .isCloseTo(1.3 * 1.6, within(1e-12));
        List<FilmMark> many = new ArrayList<>(Collections.nCopies(9, mark(MarkKind.DENT, 20)));
        many.add(mark(MarkKind.SCRATCH, 40));
        assertThat(new FilmHazard(Clouding.HAZY, many, 0, true, -350.0).factor())
                .as("no more than three dents count")
                .isCloseTo(1.3 * 1.3 * 1.3 * 1.15 * 6 * 2.5, within(1e-9));
        assertThat(new FilmHazard(Clouding.HAZY, List.of(), 0, false, 130.0).factor())
                .isCloseTo(1.5, within(1e-12));
    }

    private static FilmMark mark(MarkKind kind, double x) {
        return new FilmMark(kind, x, 30, 1);
    }
}
