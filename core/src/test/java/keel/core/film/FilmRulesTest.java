package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.core.Findings;
import keel.core.film.FilmMark.MarkKind;
import keel.core.film.MarksCompared.Fate;
import keel.core.standing.Defaults;
import keel.core.standing.PartUse;
import keel.core.wear.Usage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What is judged of a film. Grades, tolerances and what to take up are common practice, no source; where a figure is
 * worked out by hand, it stands beside.
 */
class FilmRulesTest {

    private static final FilmWindow WINDOW = new FilmWindow(130, 80, false);

    @Test
    void gradesGrowCloudierAndAMeteredFilmIsGivenTheNearest() {
        assertThat(Arrays.stream(Clouding.values())
                        .map(Clouding::usualTransmittance)
                        .toList())
                .isSortedAccordingTo((a, b) -> Double.compare(b, a));
        assertThat(Clouding.of(0.93)).isEqualTo(Clouding.CLEAR);
        assertThat(Clouding.of(0.80)).isEqualTo(Clouding.CLOUDED);
        assertThat(Clouding.of(0.2)).isEqualTo(Clouding.MILKY);
        assertThat(Clouding.HAZY.worn()).isFalse();
        assertThat(Clouding.CLOUDED.worn()).isTrue();
    }

    @Test
    void marksAreFollowedFromOneLookToTheNext() {
        List<FilmMark> then = List.of(
                new FilmMark(MarkKind.DENT, 40, 20, 3),
                new FilmMark(MarkKind.DENT, 100, 60, 2),
                new FilmMark(MarkKind.SCRATCH, 20, 70, 20));
        List<FilmMark> now = List.of(
                new FilmMark(MarkKind.DENT, 43, 22, 3.2),
                new FilmMark(MarkKind.HOLE, 101, 60, 0.5),
                new FilmMark(MarkKind.DENT, 80, 10, 1));
        assertThat(MarksCompared.of(then, now))
                .extracting(MarksCompared.Compared::fate)
                .containsExactly(Fate.SAME, Fate.GROWN, Fate.NEW, Fate.GONE);
        assertThat(MarksCompared.of(
                                List.of(new FilmMark(MarkKind.DENT, 40, 20, 3)),
                                List.of(new FilmMark(MarkKind.DENT, 40, 20, 4.5)))
                        .get(0)
                        .fate())
                .isEqualTo(Fate.GROWN);
        assertThat(MarksCompared.of(List.of(), List.of())).isEmpty();
    }

    @Test
    void twoMarksAreNeverTakenForOneEarlierOne() {
        List<MarksCompared.Compared> c = MarksCompared.of(
                List.of(new FilmMark(MarkKind.DENT, 40, 20, 3)),
                List.of(new FilmMark(MarkKind.DENT, 41, 20, 3), new FilmMark(MarkKind.DENT, 39, 20, 3)));
        assertThat(c).extracting(MarksCompared.Compared::fate).containsExactly(Fate.SAME, Fate.NEW);
    }

    @Test
    void aMarkFarOffThePlateCannotBe() {
        Findings findings = new Findings();
        new FilmMark(MarkKind.DENT, 500, 20, 3).check(144, 81, findings);
        new FilmMark(MarkKind.DENT, Double.NaN, 20, 0).check(144, 81, findings);
        assertThat(findings.list()).hasSize(3);
    }

    /**
     * Ten kelvin shift the tone by about a semitone (from memory; aluminium frame, FEP). By hand at 3.593 MPa: 500 ·
     * 7.5e-5 · 4 = 0.15 MPa, √(1 + 0.15/3.593) = 1.0207, 35 cents.
     */
    @Test
    void aWarmFilmIsBroughtToTheReferencesTemperature() {
        ToneComparison four = ToneComparison.of(300, 3.593, 24.0, 300, 20.0);
        assertThat(four.cents()).isCloseTo(35.4, within(0.1));
        assertThat(four.correctedByHz()).isCloseTo(6.2, within(0.1));
        assertThat(1200 * Math.log(1 + 500 * 7.5e-5 * 10 / 3.593) / Math.log(2) / 2)
                .as("ten kelvin, cents")
                .isCloseTo(86, within(1.0));
    }

    @Test
    void acrossMoreThanFiveKelvinNothingIsCompared() {
        assertThat(ToneComparison.of(300, 3.6, 26.0, 300, 20.0).cents()).isNull();
        assertThat(ToneComparison.of(300, 3.6, 26.0, 300, 20.0).comparison())
                .isEqualTo(ToneComparison.Temperatures.TOO_FAR_APART);
        assertThat(ToneComparison.of(300, 3.6, 15.0, 300, 20.0).cents()).isNotNull();
        assertThat(ToneComparison.of(280, 3.6, null, 300, 20.0)).satisfies(c -> {
            assertThat(c.comparison()).isEqualTo(ToneComparison.Temperatures.UNKNOWN);
            assertThat(c.verdict()).isEqualTo(FilmTension.Verdict.SLACK);
        });
    }

    @ParameterizedTest
    @CsvSource({
        "NO_TONE, 1, true, TAP_AGAIN",
        "TIGHT, 0.7, true, LET_GO",
        "GOOD, 1.05, true, NOTHING",
        "SLACK, 1, true, ALL",
        "GOOD, 0.8, true, ENDS",
        "SLACK, 1.3, true, SIDES",
        "GOOD, 0.8, false, SIDES",
        "GOOD, 1.3, false, ENDS"
    })
    void whatToTakeUpFollowsFromToneAndEvenness(
            FilmTension.Verdict verdict, double evenness, boolean longX, TakeUp takeUp) {
        assertThat(TakeUp.of(verdict, evenness, longX)).isEqualTo(takeUp);
    }

    /**
     * Without a reference, or one at another temperature, nobody may say that a film is as it should be; unevenness
     * shows all the same.
     */
    @Test
    void whatWasNotComparedIsNotJudged() {
        assertThat(ToneComparison.of(300, 3.6, 26.0, 300, 20.0).verdict()).isNull();
        assertThat(TakeUp.of(null, 1.0, true)).isEqualTo(TakeUp.NOT_JUDGED);
        assertThat(TakeUp.of(null, null, true)).isEqualTo(TakeUp.NOT_JUDGED);
        assertThat(TakeUp.of(null, 0.8, true)).isEqualTo(TakeUp.ENDS);
    }

    @Test
    void thinAndThickAreToldApartOnlyWhereTheRecordCan() {
        assertThat(ThinOrThick.of(new ThinOrThick.Pool(0, 0, 0, 0), new ThinOrThick.Pool(3, 800, 1, 0))
                        .says())
                .startsWith("Only thick film is on record");
        assertThat(ThinOrThick.of(new ThinOrThick.Pool(2, 300, 1, 0), new ThinOrThick.Pool(3, 800, 1, 0))
                        .says())
                .contains("do not tell thin from thick")
                .contains("does not tell them apart");
        assertThat(ThinOrThick.of(new ThinOrThick.Pool(20, 4000, 30, 5), new ThinOrThick.Pool(20, 8000, 6, 9))
                        .says())
                .contains("leaks more often")
                .contains("Thick for what is coarse");
        assertThat(ThinOrThick.of(new ThinOrThick.Pool(20, 4000, 30, 1), new ThinOrThick.Pool(20, 8000, 6, 40))
                        .says())
                .contains("through thick film")
                .doesNotContain("coarse");
    }

    @Test
    void theStrongestReasonForAChangeIsNamed() {
        Defaults usual = Defaults.shipped();
        assertThat(new ChangeAsked("PIERCED", true, film(usual, 500), Clouding.MILKY).why(usual, 0.3))
                .isEqualTo("condemned: pierced");
        assertThat(new ChangeAsked(null, true, film(usual, 500), Clouding.MILKY).why(usual, 0.3))
                .contains("cured shut");
        assertThat(new ChangeAsked(null, false, film(usual, 450), null).why(usual, 0.3))
                .isEqualTo("past its age: 450 of about 450 h");
        assertThat(new ChangeAsked(null, false, film(usual, 20), Clouding.CLOUDED).why(usual, 0.3))
                .isEqualTo("looked clouded");
        assertThat(new ChangeAsked(null, false, film(usual, 20), Clouding.HAZY).why(usual, 0.3))
                .isEmpty();
        Defaults onSigns = usual.with(Map.of("film.replaceAtHours", 0.0, "watch.failureChance", 0.05));
        assertThat(new ChangeAsked(null, false, film(onSigns, 900), null).why(onSigns, 0.3))
                .startsWith("may fail: ");
    }

    private static PartUse film(Defaults defaults, double hours) {
        return new PartUse(
                PartUse.UsedPart.FILM, "Film F1", new Usage(hours, 0, 0, 0, 0), defaults.usual(PartUse.UsedPart.FILM));
    }

    /**
     * By hand: pressed in by 6 mm at 30 mm from clamp to lip the frame takes up 2·(√936 − 30) = 1.1882 mm, over
     * 104 mm 1.1425 %; 600 N/m want 600/(500·127) = 0.9449 %; slack 0.1976 %, bulge 104·√(3·0.001976/8) = 2.831
     * mm.
     */
    @Test
    void theSpacerLeavesTheTensionThatIsWanted() {
        SlackSpacer block = SlackSpacer.forTension(104, 6, 30, 600, 0.127);
        assertThat(block.bulgeMm()).isCloseTo(2.831, within(0.002));
        assertThat(SlackSpacer.forTension(104, 3, 30, 600, 0.127).bulgeMm())
                .as("takes up less than is wanted")
                .isZero();
    }

    @Test
    void aSecondRecordingGivesTheEvennessOrIsOfAnotherFilm() {
        Membrane film = Membrane.ofFep(130, 80, 0.127, 620);
        TapTone centre = tone(film.toneHz(1, 1));
        TapTone quarter = tone(film.toneHz(1, 1), film.toneHz(2, 1));
        assertThat(HeardFilm.of(centre, quarter, WINDOW, 0.127).tension().evenness())
                .isCloseTo(1, within(1e-6));
        assertThat(HeardFilm.of(centre, null, WINDOW, 0.127).tension().evenness())
                .isNull();
        assertThat(HeardFilm.of(centre, tone(film.toneHz(1, 1) * 1.2), WINDOW, 0.127)
                        .agree())
                .isFalse();
        assertThat(HeardFilm.of(new TapTone(Double.NaN, Double.NaN, 0, List.of(), false), quarter, WINDOW, 0.127)
                        .clear())
                .isFalse();
    }

    /**
     * By hand: 6 changes a year, 10 h of waiting and 48 min more standing each, at 3 an hour: 6 · 10.8 · 3 = 194.4; a
     * vat of 120 over 5 years is 24 a year.
     */
    @Test
    void aSpareVatPaysWhereFilmsAreChangedOften() {
        SpareAdvice often = SpareAdvice.of(6, 60, 12, 10, 3, 120.0, 5);
        assertThat(often.keep()).isEqualTo(SpareAdvice.Keep.SPARE_VAT);
        assertThat(often.savedPerYear()).isCloseTo(194.4, within(1e-9));
        assertThat(often.breakEven()).isCloseTo(24 / 32.4, within(1e-9));
        assertThat(SpareAdvice.of(1, 60, 12, 0, 3, 120.0, 5).keep()).isEqualTo(SpareAdvice.Keep.SPARE_SHEETS);
        assertThat(SpareAdvice.of(6, 60, 12, 10, 3, null, 5).keep()).isEqualTo(SpareAdvice.Keep.UNKNOWN);
    }

    private static TapTone tone(double... hz) {
        return new TapTone(
                hz[0],
                0.2,
                3,
                Arrays.stream(hz).mapToObj(f -> new TapTone.Peak(f, 1)).toList(),
                false);
    }
}
