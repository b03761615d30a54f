package keel.app.guides;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.bench.ServiceView;
import keel.app.film.FilmTones;
import keel.app.film.Vats;
import keel.app.fleet.Parts;
import keel.app.fleet.Shelf;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.app.support.TapSound;
import keel.core.film.Recording;
import keel.core.guide.SittingTime;
import keel.core.guide.Step;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceField;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Several vats gone through in one sitting, each step for all of them before the next. */
class SittingTest extends PageTest {

    @Autowired
    private Guides guides;

    @Autowired
    private Guidebook guidebook;

    @Autowired
    private Shelf shelf;

    @Autowired
    private Vats vats;

    @Autowired
    private Runs runs;

    @Autowired
    private Bench bench;

    @Autowired
    private FilmTones tones;

    private String machine;
    private String spare;
    private String empty;

    @BeforeEach
    void shop() {
        shop.people();
        machine = shop.maskMachine();
        spare = shelf.addVat(shop.modelOf(machine), new Parts.Sheet("FEP", 0.1), Parts.Baseline.NEW);
        empty = shelf.addVat(shop.modelOf(machine), null, Parts.Baseline.NEW);
    }

    @Test
    void filmsOfThreeVatsAreChangedStepByStepAcrossThem() {
        String fitted = shop.now(machine).vat().code();
        long id = guides.beginSitting("film-change", List.of(fitted, spare, empty));
        assertThat(at(id)).isEqualTo(fitted + " reason");
        done(id, Map.of("endReason", "CLOUDED"));
        assertThat(at(id)).isEqualTo(spare + " reason");
        done(id, Map.of("endReason", "SLACK"));
        done(id, Map.of("endReason", "OTHER"));
        assertThat(at(id)).isEqualTo(fitted + " drain");
        guides.back(id, guides.one(id).version());
        assertThat(at(id)).as("the last that was done comes back").isEqualTo(empty + " reason");
        walk(
                id,
                Map.of(
                        "endReason",
                        "OTHER",
                        "material",
                        "PFA",
                        "thicknessMm",
                        "0.1",
                        "boltSchool",
                        "STAR",
                        "tight",
                        "true"));
        List<ServiceView> written = guides.finish(id, guides.one(id).version(), Map.of(), "together");
        assertThat(written)
                .extracting(ServiceView::kind)
                .filteredOn(k -> k == ServiceKind.FILM_CHANGE)
                .hasSize(3);
        for (String vat : List.of(fitted, spare, empty)) {
            assertThat(vats.one(vat).film().material()).as(vat).isEqualTo("PFA");
        }
        assertThat(shop.holds(machine)).containsExactly("not-levelled");
        assertThat(page("/guides/" + id)).contains("Level the plate").contains("vat " + spare);
        assertThat(guidebook.minutesAVat("film-change"))
                .as("clicked through, and once only")
                .isEmpty();
    }

    @Test
    void oneThatIsSlackGoesRoundAgainWhileTheOthersWait() {
        long id = guides.beginSitting("film-change", List.of(spare, empty));
        while (!guides.one(id).step().code().equals("tension")) {
            walkOne(
                    id,
                    Map.of("endReason", "OTHER", "material", "FEP", "thicknessMm", "0.127", "boltSchool", "CIRCULAR"));
        }
        assertThat(at(id)).isEqualTo(spare + " tension");
        guides.detour(id, guides.one(id).version());
        assertThat(at(id)).isEqualTo(spare + " frame");
        walkOne(id, Map.of());
        assertThat(at(id)).isEqualTo(spare + " tension");
        walkOne(id, Map.of());
        assertThat(at(id)).isEqualTo(empty + " tension");
    }

    @Test
    void whatIsAnsweredForOneIsNotAnsweredForAnother() {
        long id = guides.beginSitting("film-change", List.of(spare, empty));
        walk(
                id,
                Map.of(
                        "endReason",
                        "OTHER",
                        "material",
                        "FEP",
                        "thicknessMm",
                        "0.127",
                        "boltSchool",
                        "STAR",
                        "tight",
                        "true"),
                Map.of(spare, Map.of("thicknessMm", "0.1", "endReason", "DENTED")));
        assertThat(page("/guides/" + id)).contains("vat " + spare).contains("Dented");
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(vats.one(spare).film().thicknessMm()).isEqualTo(0.1);
        assertThat(vats.one(empty).film().thicknessMm()).isEqualTo(0.127);
    }

    /**
     * The film that is tapped at its step is the new one, of its own thickness; the record of the old one does not get
     * its tone.
     */
    @Test
    void whatIsHeardDuringAChangeIsTheNewFilms() {
        String code = shop.now(machine).vat().code();
        long id = guides.begin(machine, "film-change");
        Recording taps = Recording.ofWav(TapSound.taps(144, 81, 0.1, false));
        Vats.Vat before = vats.one(code);
        tones.keep(before, tones.hear(before, taps, null), 20.0);
        tones.refer(before, tones.of(before.film().id()).get(0).id());
        double asOld = tones.of(before.film().id()).get(0).withAirNPerM();
        while (!guides.one(id).step().code().equals("tension")) {
            walkOne(
                    id,
                    Map.of("endReason", "CLOUDED", "material", "FEP", "thicknessMm", "0.127", "boltSchool", "STAR"));
        }
        assertThat(page("/guides/" + id)).contains("value=\"SAME\" checked").contains("/vats/" + code + "/tone");
        walk(id, Map.of("tight", "true", "tone", "SAME"));
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        Vats.Vat after = vats.one(code);
        assertThat(after.film().code()).isNotEqualTo(before.film().code());
        assertThat(tones.of(before.film().id())).isEmpty();
        assertThat(tones.of(after.film().id())).singleElement().satisfies(t -> assertThat(t.withAirNPerM())
                .isEqualTo(asOld, within(0.01)));
    }

    @Test
    void aVatThatPrintsATankAndNothingAreRefused() {
        String fitted = shop.now(machine).vat().code();
        shop.as("operator");
        runs.enter(new RunEntry(machine, "Latch", null, null, 1000, 2.0, 40.0, null, null, null));
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> guides.beginSitting("film-change", List.of(fitted)))
                .withMessageContaining("is printing");
        assertThatExceptionOfType(Refused.class).isThrownBy(() -> guides.beginSitting("film-change", List.of()));
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> guides.beginSitting("film-change", List.of(spare, spare)));
        assertThatExceptionOfType(NotThere.class).isThrownBy(() -> guides.beginSitting("polish", List.of(spare)));
        guides.beginSitting("film-change", List.of(spare));
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> guides.beginSitting("film-change", List.of(empty, spare)))
                .withMessageContaining("begun already");
        String tank =
                shop.now(shop.machine(MachineKind.LASER_TANK, false)).vat().code();
        assertThatExceptionOfType(Conflict.class).isThrownBy(() -> guides.beginSitting("film-change", List.of(tank)));
        shop.as("keeper");
        refused(422, "Choose at least one vat", "/bench/batch", "procedure", "film-change");
        assertThat(page("/bench/batch"))
                .contains(empty)
                .contains("no film in it")
                .contains("prints now");
    }

    @Test
    void aVatOnTheShelfIsCleanedAndItsHoleCuredShutByItself() {
        assertThat(accepted("/bench/batch", "procedure", "film-cleaning", "vats", spare))
                .startsWith("/guides/");
        long id = guides.beginSitting("stop-gap", List.of(spare));
        walk(id, Map.of("sizeMm", "0.4", "xMm", "40", "yMm", "20", "tight", "true"));
        assertThat(guides.finish(id, guides.one(id).version(), Map.of(), null))
                .extracting(ServiceView::kind)
                .containsExactly(ServiceKind.HOLE_CURED, ServiceKind.VAT_INSPECTED);
        bench.record(new ServiceEntry(machine, "VAT_FITTED", null, null, Map.of("vat", spare)));
        assertThat(shop.now(machine).standing().concerns())
                .anySatisfy(c -> assertThat(c.about()).isEqualTo("stop-gap"));
    }

    @Test
    void theResinIsChangedAndWhatWasScrapedIsKnown() {
        long id = guides.begin(machine, "resin-change");
        walk(id, Map.of("returnedMl", "180", "scraped", "BACK", "plateWiped", "true"));
        ServiceView written =
                guides.finish(id, guides.one(id).version(), Map.of(), null).get(0);
        assertThat(written.kind()).isEqualTo(ServiceKind.CLEAN_UP);
        assertThat(written.text())
                .contains("vat emptied")
                .contains("whole plate wiped")
                .contains("scrapings went back into the bottle");
    }

    /** A quarter of a change is setting out, common practice; by hand 0.25 · 48 + 3 · 36 = 120. */
    @Test
    void aSittingIsShorterThanItsChangesOneByOne() {
        assertThat(SittingTime.of(48, null).minutes(3)).isEqualTo(120);
        assertThat(SittingTime.of(48, 30.0).minutes(3)).isEqualTo(90);
        assertThat(SittingTime.of(48, null).minutes(0)).isZero();
    }

    private String at(long id) {
        SessionView view = guides.one(id);
        return view.vat() + " " + view.step().code();
    }

    private void done(long id, Map<String, Object> given) {
        guides.done(id, guides.one(id).version(), given);
    }

    private void walk(long id, Map<String, String> answers) {
        walk(id, answers, Map.of());
    }

    private void walk(long id, Map<String, String> answers, Map<String, Map<String, String>> ofVats) {
        while (!guides.one(id).atEnd()) {
            Map<String, String> all = new LinkedHashMap<>(answers);
            all.putAll(ofVats.getOrDefault(String.valueOf(guides.one(id).vat()), Map.of()));
            walkOne(id, all);
        }
    }

    private void walkOne(long id, Map<String, String> answers) {
        Step step = guides.one(id).step();
        Map<String, Object> given = new LinkedHashMap<>();
        for (ServiceField ask : step.asks()) {
            String value = answers.getOrDefault(
                    ask.name(),
                    !ask.required()
                            ? ""
                            : ask.type() == ServiceField.Type.CHOICE
                                    ? ask.options().get(0).code()
                                    : "true");
            given.put(ask.name(), value);
        }
        done(id, given);
    }
}
