package keel.app.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keel.app.base.TimeScale;
import keel.app.film.web.CarrierStrips;
import keel.app.film.web.FilmMap;
import keel.app.film.web.MarkLines;
import keel.app.film.web.ToneDrawing;
import keel.app.fleet.ComponentKind;
import keel.app.standing.LifeStrip;
import keel.app.standing.PartView;
import keel.core.Findings;
import keel.core.bolts.VatFrame;
import keel.core.film.FilmMark;
import keel.core.film.MarksCompared;
import keel.core.film.TapTone;
import keel.core.film.ToneTrace;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.wear.Usage;
import org.junit.jupiter.api.Test;

/** Drawings of films: where things stand in them, and that their words say the same. */
class FilmDrawingsTest {

    private static final Instant NOW = Instant.parse("2026-03-01T12:00:00Z");
    private static final Vats.Model MODEL =
            new Vats.Model(1, "m", "M", MachineKind.MASK, 144, 81, new VatFrame(168.0, 104.0, null, 9, 5, 4, 2));

    @Test
    void marksStandOnTheMapWhereTheyLieOnTheFilm() {
        FilmMap map = FilmMap.of(
                MODEL,
                MarksCompared.of(
                        List.of(new FilmMark(FilmMark.MarkKind.DENT, 100, 10, 3)),
                        List.of(new FilmMark(FilmMark.MarkKind.SCRATCH, 30, 60, 12))),
                Optional.empty());
        assertThat(map.spots().get(0).x()).isEqualTo(30);
        assertThat(map.spots().get(0).y()).as("front edge below").isEqualTo(81 - 60);
        assertThat(map.spots().get(0).r()).isEqualTo(6);
        assertThat(map.spots().get(1).fate()).isEqualTo("gone");
        assertThat(map.left()).isEqualTo(-12);
        assertThat(map.top()).isEqualTo(-11.5);
        assertThat(map.words())
                .contains("1 mark")
                .contains("scratch 12.0 mm at 30, 60, new")
                .contains("no longer seen");
        assertThat(FilmMap.of(MODEL, List.of(), Optional.empty()).words())
                .isEqualTo("No dents or scratches on record.");
        assertThat(FilmMap.of(
                                new Vats.Model(1, "m", "M", MachineKind.MASK, 144, 81, VatFrame.UNKNOWN),
                                List.of(),
                                Optional.empty())
                        .windowWidth())
                .as("a rim where nobody measured the window")
                .isEqualTo(168);
    }

    @Test
    void marksAreTheSameAsTextAndBack() {
        List<FilmMark> marks = List.of(
                new FilmMark(FilmMark.MarkKind.HOLE, 12.5, 40, 0.5),
                new FilmMark(FilmMark.MarkKind.HAZE, 70, 20.1, 14));
        Findings findings = new Findings();
        assertThat(MarkLines.read(MarkLines.text(marks), findings)).isEqualTo(marks);
        assertThat(MarkLines.read(" Dent 3,5 4 2 \r\n\r\n", findings))
                .containsExactly(new FilmMark(FilmMark.MarkKind.DENT, 3.5, 4, 2));
        assertThat(findings.none()).isTrue();
        assertThat(MarkLines.read("dent 1 2\nbite 1 2 3\ndent a b c", findings)).isEmpty();
        assertThat(findings.list()).hasSize(3);
        assertThat(MarkLines.read(null, new Findings())).isEmpty();
    }

    @Test
    void aSpectrumNamesItsPeaksAndShowsTheReference() {
        ToneTrace trace =
                new ToneTrace(3, List.of(0.1, 1.0, 0.3), List.of(1.0, 2.0), 40, 4, Collections.nCopies(316, -20.0), 0);
        List<TapTone.Peak> peaks =
                List.of(new TapTone.Peak(210, 1), new TapTone.Peak(310, 0.6), new TapTone.Peak(318, 0.3));
        ToneDrawing d = ToneDrawing.of(trace, peaks, 210.0, 310.0, 220.0);
        assertThat(d.peaks())
                .extracting(ToneDrawing.Named::name)
                .containsExactly("lowest tone", "second, along", "higher");
        assertThat(d.peaks())
                .extracting(ToneDrawing.Named::row)
                .as("words of near ones stand below one another")
                .containsExactly(0, 0, 1);
        assertThat(d.peaks().get(0).x()).isLessThan(d.reference());
        assertThat(d.goodFrom()).isLessThan(d.peaks().get(0).x());
        assertThat(d.goodTo() - d.reference())
                .as("as wide above as below, on a scale of octaves")
                .isCloseTo(d.reference() - d.goodFrom(), within(1e-9));
        assertThat(d.taps().get(1)).isCloseTo(2 * ToneDrawing.WIDTH / 3, within(1e-9));
        assertThat(d.words()).contains("2 taps").contains("lowest tone 210 Hz").contains("Reference 220 Hz");
        ToneDrawing none = ToneDrawing.of(trace, List.of(), null, null, null);
        assertThat(none.words()).contains("No clear tone");
        assertThat(none.reference()).isNull();
    }

    @Test
    void stripsShowEachFilmFromItsFittingToItsEndAndTheRestOfTheLast() {
        PartView film = new PartView(
                3,
                ComponentKind.FILM,
                "F3",
                null,
                "FEP",
                0.127,
                null,
                NOW.minus(Duration.ofDays(50)),
                null,
                null,
                "V1",
                "Vat V1",
                "heron",
                null,
                new Usage(200, 60, 1, 1, 1));
        PartUse use = new PartUse(
                PartUse.UsedPart.FILM,
                "Film F3",
                film.usage(),
                Defaults.shipped().usual(PartUse.UsedPart.FILM));
        Vats.Vat vat = new Vats.Vat(
                7, "V1", NOW.minus(Duration.ofDays(200)), null, MODEL, "heron", "Heron", film, use, null, null);
        List<Vats.Span> spans = List.of(
                span("F1", 200, 120, "CLOUDED"),
                span("F2", 120, 50, null),
                new Vats.Span(7, "F3", NOW.minus(Duration.ofDays(50)), null, null, null));
        CarrierStrips strips =
                CarrierStrips.of(List.of(vat), Map.of(7L, spans), Map.of("heron", 5.0), 0.3, NOW, ZoneOffset.UTC);
        LifeStrip strip = strips.strips().get(7L);
        assertThat(strip.bars()).extracting(LifeStrip.Bar::cause).containsExactly("clouded", null, null);
        assertThat(strip.bars()).extracting(LifeStrip.Bar::current).containsExactly(false, false, true);
        assertThat(strip.bars().get(1).x())
                .isCloseTo(strip.bars().get(0).x() + strip.bars().get(0).w(), within(0.01));
        assertThat(strips.now()).isCloseTo(TimeScale.WIDTH / 1.16, within(0.5));
        assertThat(strip.rest().x()).isEqualTo(strips.now());
        assertThat(strip.rest().sure()).isPositive().isLessThan(strip.rest().middle());
        assertThat(strips.dates().get(0).x()).isZero();
        assertThat(strips.dates()).last().satisfies(t -> assertThat(t.words()).isEqualTo("today"));
        CarrierStrips idle = CarrierStrips.of(List.of(vat), Map.of(7L, spans), Map.of(), 0.3, NOW, ZoneOffset.UTC);
        assertThat(idle.strips().get(7L).rest())
                .as("nothing is known of its pace")
                .isNull();
    }

    @Test
    void aCondemnedFilmThatIsStillInShowsItsEnd() {
        Vats.Vat vat =
                new Vats.Vat(7, "V1", NOW.minus(Duration.ofDays(20)), null, MODEL, null, null, null, null, null, null);
        Vats.Span still =
                new Vats.Span(7, "F1", NOW.minus(Duration.ofDays(20)), null, NOW.minus(Duration.ofDays(1)), "PIERCED");
        CarrierStrips strips =
                CarrierStrips.of(List.of(vat), Map.of(7L, List.of(still)), Map.of(), 0.3, NOW, ZoneOffset.UTC);
        assertThat(strips.strips().get(7L).bars()).singleElement().satisfies(b -> {
            assertThat(b.current()).isFalse();
            assertThat(b.title()).isEqualTo("F1, ended: pierced, still in");
        });
        assertThat(vat.place()).isEqualTo("on the shelf");
    }

    private static Vats.Span span(String code, int fromDaysAgo, int toDaysAgo, String reason) {
        Instant to = NOW.minus(Duration.ofDays(toDaysAgo));
        return new Vats.Span(7, code, NOW.minus(Duration.ofDays(fromDaysAgo)), to, reason == null ? null : to, reason);
    }
}
