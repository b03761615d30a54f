package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.junit.jupiter.api.Test;

class FilmRollTest {

    /** By hand: 300 mm wide, 3 m long, sheets of 260 × 180: one across, 11 along; turned one across, 16 along. */
    @Test
    void theBetterWayRoundIsTaken() {
        assertThat(new FilmRoll(300, 3000).into(260, 180)).isEqualTo(new FilmRoll.Cut(16, 1, 16, true));
        assertThat(new FilmRoll(360, 3000).into(260, 180)).isEqualTo(new FilmRoll.Cut(22, 2, 11, false));
        assertThat(new FilmRoll(150, 3000).into(260, 180).sheets())
                .as("too narrow")
                .isZero();
        assertThat(new FilmRoll(260, 180).into(260, 180).sheets()).isEqualTo(1);
    }

    @Property
    void whatIsCutIsNeverMoreThanThereIs(
            @ForAll @DoubleRange(min = 50, max = 1000) double width,
            @ForAll @DoubleRange(min = 50, max = 10_000) double length,
            @ForAll @DoubleRange(min = 50, max = 500) double longMm) {
        double shortMm = longMm * 0.7;
        FilmRoll.Cut cut = new FilmRoll(width, length).into(longMm, shortMm);
        assertThat(cut.sheets() * longMm * shortMm).isLessThanOrEqualTo(width * length * (1 + 1e-6));
    }
}
