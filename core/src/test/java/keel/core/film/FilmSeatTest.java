package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import keel.core.Findings;
import org.junit.jupiter.api.Test;

/** How a film sits in its frame; figures of practice, no source. */
class FilmSeatTest {

    @Test
    void slackFollowsFromTheFrameWhereItWasMeasured() {
        FilmSeat measured = new FilmSeat(12.0, 8.0, 24.0, 6.0, 30.0, 205.0, 140.0, 42.0);
        assertThat(measured.measured()).isTrue();
        assertThat(measured.mixedScrews()).isTrue();
        assertThat(measured.slack(104, 0.127).bulgeMm())
                .as("as worked out by hand for the spacer")
                .isCloseTo(2.831, within(0.002));
        assertThat(measured.slack(104, 0.1).bulgeMm())
                .as("a thinner film stretches more, and is given less")
                .isLessThan(measured.slack(104, 0.127).bulgeMm());
        assertThat(FilmSeat.UNKNOWN.measured()).isFalse();
        assertThat(FilmSeat.UNKNOWN.mixedScrews()).isFalse();
        assertThat(FilmSeat.UNKNOWN.slack(80, 0.127).bulgeMm())
                .as("half a per cent over 80 mm")
                .isCloseTo(3.46, within(0.005));
    }

    @Test
    void whatCannotBeIsSaidAtItsField() {
        Findings findings = new Findings();
        new FilmSeat(100.0, 0.0, -1.0, 6.0, null, 1.0, 1.0, -5.0).check(findings);
        assertThat(findings.list())
                .extracting(f -> f.field())
                .containsExactly(
                        "cornerScrewMm",
                        "sideScrewMm",
                        "spacerMm",
                        "sheetLengthMm",
                        "sheetWidthMm",
                        "vatPrice",
                        "lipMm");
        Findings none = new Findings();
        FilmSeat.UNKNOWN.check(none);
        assertThat(none.none()).isTrue();
    }

    @Test
    void aWindowIsRoundOrHasSides() {
        assertThat(new FilmWindow(130, 80, false).toneHz(621.6, 0.127)).isCloseTo(300, within(0.2));
        assertThat(new FilmWindow(130, 80, false).longX()).isTrue();
        assertThat(new FilmWindow(80, 130, false).longX()).isFalse();
        FilmWindow round = new FilmWindow(100, 100, true);
        double hz = round.toneHz(500, 0.127);
        assertThat(round.tension(hz, List.of(), 0.127).withAirNPerM()).isCloseTo(500, within(1e-6));
        assertThat(hz)
                .as("a circle sounds higher than the square around it")
                .isGreaterThan(new FilmWindow(100, 100, false).toneHz(500, 0.127));
    }
}
