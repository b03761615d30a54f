package keel.app.guides;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.authentication;

import java.util.List;
import java.util.Map;
import keel.app.base.Conflict;
import keel.app.base.Refused;
import keel.app.bench.ServiceView;
import keel.app.guides.web.FrameDrawing;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.stores.Stock;
import keel.app.support.AppTest;
import keel.core.guide.Procedure;
import keel.core.guide.Procedures;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.test.web.servlet.request.MockMvcRequestBuilders;

class GuidesTest extends AppTest {

    @Autowired
    private Guides guides;

    @Autowired
    private Runs runs;

    @Autowired
    private Stock stock;

    @Autowired
    private Logbook logbook;

    @Autowired
    private MockMvc mvc;

    @Test
    void aFilmChangeEndsInTheRecordsTheStoresAndTheHoldThatFollows() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.service(m, "PLATE_CLEARED", 6);
        String gloves = shop.item("Nitrile gloves", 10);
        String sheets = shop.item("Film sheet", 3);
        long id = guides.begin(m, "film-change");
        guides.note(id, "Two screws were stripped.");
        walk(
                id,
                Map.of(
                        "endReason",
                        "PIERCED",
                        "material",
                        "PFA",
                        "thicknessMm",
                        "0,1",
                        "fromStores",
                        sheets,
                        "tone",
                        "HIGHER"));
        List<ServiceView> written = guides.finish(id, guides.one(id).version(), Map.of(gloves, 2.0), "slow");
        assertThat(written)
                .extracting(ServiceView::kind)
                .containsExactly(ServiceKind.FILM_CHANGE, ServiceKind.VAT_INSPECTED);
        assertThat(shop.filmHours(m)).isZero();
        assertThat(shop.now(m).film().material()).isEqualTo("PFA");
        assertThat(shop.holds(m)).containsExactly("not-levelled");
        assertThat(stock.one(gloves).quantity()).isEqualTo(8);
        assertThat(stock.one(sheets).quantity()).isEqualTo(2);
        assertThat(logbook.lines(LogFilter.ofMachine(m, 20))).anySatisfy(l -> assertThat(l.note())
                .contains("Two screws were stripped.", "slow", "Against the reference: higher: tighter."));
        assertThat(guides.one(id).state()).isEqualTo(SessionView.State.FINISHED);
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> guides.finish(id, guides.one(id).version(), Map.of(), null));
    }

    @ParameterizedTest
    @CsvSource({
        "MASK, film-change",
        "PROJECTOR, film-change",
        "LASER_TANK, tank-change",
        "MASK, clean-up",
        "LASER_TANK, clean-up",
        "MASK, vat-inspection",
        "LASER_TANK, vat-inspection",
        "MASK, screen-inspection",
        "PROJECTOR, plate-work",
        "LASER_TANK, lubrication",
        "MASK, levelling",
        "LASER_TANK, levelling",
        "MASK, film-cleaning",
        "PROJECTOR, stop-gap",
        "MASK, resin-change"
    })
    void everyProcedureShowsEveryStepAndWritesWhatItIsFor(MachineKind kind, String procedure) throws Exception {
        String m = shop.machine(kind, false);
        page("/machines/" + m + "/guides/" + procedure);
        long id = guides.begin(m, procedure);
        while (!guides.one(id).atEnd()) {
            assertThat(page("/guides/" + id))
                    .contains(guides.one(id).step().title().substring(0, 4));
            guides.done(id, guides.one(id).version(), GuideAnswers.to(guides.one(id), Map.of()));
        }
        page("/guides/" + id);
        List<ServiceView> written = guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(written.get(0).kind())
                .isEqualTo(Procedures.shipped()
                        .called(procedure)
                        .map(Procedure::writes)
                        .orElseThrow()
                        .get(0)
                        .kind());
        page("/guides/" + id);
    }

    @Test
    void aStepThatAsksWaitsForItsAnswer() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "film-change");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> guides.done(id, 0, Map.of()))
                .withMessageContaining("Why the old one ended");
        assertThatExceptionOfType(Refused.class).isThrownBy(() -> guides.done(id, 0, Map.of("endReason", "BORED")));
        assertThat(guides.one(id).step().code()).isEqualTo("reason");
        guides.done(id, 0, Map.of("endReason", "SLACK"));
        assertThat(guides.one(id).step().code()).isEqualTo("drain");
        guides.back(id, guides.one(id).version());
        assertThat(guides.one(id).answers()).containsEntry("endReason", "SLACK");
    }

    @Test
    void anotherTabletGoesOnAndTheFirstIsToldSo() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "clean-up");
        int seen = guides.one(id).version();
        shop.as("operator");
        assertThat(guides.begin(m, "clean-up")).as("the same session").isEqualTo(id);
        guides.done(id, seen, Map.of("plateClear", "true"));
        shop.as("keeper");
        assertThatExceptionOfType(MovedOn.class)
                .isThrownBy(() -> guides.done(id, seen, Map.of("plateClear", "true")))
                .withMessageContaining("Oda");
        assertThat(guides.one(id).number()).isEqualTo(2);
        assertThat(guides.open()).filteredOn(g -> g.id() == id).singleElement().satisfies(g -> assertThat(g.touchedBy())
                .isEqualTo("Oda"));
    }

    @Test
    void whatDoesNotLiftGoesTheFullWay() {
        String m = shop.maskMachine();
        shop.failure(m, 2, "layer-split");
        long id = guides.begin(m, "clean-up");
        go(id, Map.of("plateClear", "true"));
        go(id, Map.of("beneath", "DRY"));
        go(id, Map.of("seen", "PATCH"));
        go(id, Map.of("way", "QUICK"));
        go(id, Map.of());
        go(id, Map.of());
        assertThat(guides.one(id).step().code()).isEqualTo("lift");
        guides.detour(id, guides.one(id).version());
        assertThat(guides.one(id).step().code()).isEqualTo("drain");
        walk(id, Map.of("sieved", "true", "clean", "true"));
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(shop.holds(m)).isEmpty();
        assertThat(logbook.lines(LogFilter.ofMachine(m, 20)))
                .anySatisfy(l -> assertThat(l.headline()).contains("cleaned up, full way, resin sieved"));
    }

    /** Levelling does not end with a corner that drags differently: back to pressing, or given up. */
    @Test
    void aLooseCornerIsNotLevelled() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "levelling");
        while (!guides.one(id).step().code().equals("height")) {
            go(id, GuideAnswers.to(guides.one(id), Map.of("school", "PAPER")));
        }
        go(id, Map.of("height", "CORNER"));
        assertThat(guides.one(id).step().stops()).isTrue();
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> go(id, Map.of()))
                .withMessageContaining("It does not end here");
        guides.detour(id, guides.one(id).version());
        assertThat(guides.one(id).step().code()).isEqualTo("slacken");
        assertThat(shop.now(m).levelledAt()).isNull();
    }

    /** What was answered before somebody went back and took another way is not written. */
    @Test
    void anAnswerOfAWayThatWasLeftDoesNotCount() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "clean-up");
        walk(id, Map.of("beneath", "DRY", "seen", "PATCH", "way", "FULL", "clean", "true"));
        do {
            guides.back(id, guides.one(id).version());
        } while (!guides.one(id).step().code().equals("way"));
        go(id, Map.of("way", "QUICK"));
        walk(id, Map.of());
        assertThat(guides.finish(id, guides.one(id).version(), Map.of(), null))
                .extracting(ServiceView::kind)
                .as("nobody looked at the film on the quick way")
                .doesNotContain(ServiceKind.VAT_INSPECTED);
    }

    @Test
    void pausedAndGoneOn() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "vat-inspection");
        guides.pause(id, guides.one(id).version());
        assertThat(guides.one(id).pausedAt()).isNotNull();
        guides.goOn(id, guides.one(id).version());
        assertThat(guides.one(id).pausedAt()).isNull();
        guides.pause(id, guides.one(id).version());
        go(id, Map.of());
        assertThat(guides.one(id).pausedAt())
                .as("whoever goes on ends the pause")
                .isNull();
    }

    @Test
    void aLeakFoundAtTheEndHoldsTheMachine() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "vat-inspection");
        walk(id, Map.of("clean", "false", "found", "film-pierced"));
        guides.finish(id, guides.one(id).version(), Map.of(), null);
        assertThat(shop.holds(m)).containsExactly("wet-under-vat");
    }

    @Test
    void boltsAreCountedOverAllPassesAndKept() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "film-change");
        while (guides.one(id).tightening() == null) {
            go(id, GuideAnswers.to(guides.one(id), Map.of()));
        }
        SessionView clamp = guides.one(id);
        assertThat(clamp.boltsInAll()).as("24 bolts, three passes and a round").isEqualTo(96);
        guides.turn(id, clamp.version(), 1);
        guides.turn(id, guides.one(id).version(), 24);
        assertThat(guides.one(id).boltsDone()).isEqualTo(25);
        guides.turn(id, guides.one(id).version(), -1);
        guides.turn(id, guides.one(id).version(), 1000);
        assertThat(guides.one(id).boltsDone()).isEqualTo(96);
        FrameDrawing second = FrameDrawing.of(clamp.tightening(), 25);
        assertThat(second.pass()).isEqualTo(2);
        assertThat(second.next())
                .isEqualTo(clamp.tightening().passes().get(1).order().get(1));
        assertThat(second.dots()).filteredOn(d -> d.state().equals("done")).hasSize(1);
        assertThat(FrameDrawing.of(clamp.tightening(), 96).words()).isEqualTo("All passes are done.");
    }

    @Test
    void nothingIsTakenApartWhileTheMachinePrints() {
        String m = shop.maskMachine();
        runs.enter(new RunEntry(m, "Latch", null, null, 900, 2.1, 40.0, null, null, null));
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> guides.begin(m, "film-change"))
                .withMessageContaining("printing Latch");
        assertThat(guides.open()).noneMatch(g -> g.machine().equals(m));
    }

    @Test
    void whatIsGivenUpIsInTheLogbookAndNothingElseIsWritten() {
        String m = shop.maskMachine();
        long id = guides.begin(m, "film-change");
        guides.giveUp(id, 0);
        assertThat(guides.open()).noneMatch(g -> g.id() == id);
        assertThat(logbook.lines(LogFilter.ofMachine(m, 20)))
                .anySatisfy(l -> assertThat(l.headline()).contains("begun and given up: change the film"));
        assertThat(guides.begin(m, "film-change")).as("a new one").isNotEqualTo(id);
    }

    private void walk(long id, Map<String, String> wanted) {
        while (!guides.one(id).atEnd()) {
            go(id, GuideAnswers.to(guides.one(id), wanted));
        }
    }

    private void go(long id, Map<String, Object> given) {
        guides.done(id, guides.one(id).version(), given);
    }

    private String page(String path) throws Exception {
        Authentication who = SecurityContextHolder.getContext().getAuthentication();
        var response = mvc.perform(MockMvcRequestBuilders.get(path).with(authentication(who)))
                .andReturn()
                .getResponse();
        SecurityContextHolder.getContext().setAuthentication(who);
        assertThat(response.getStatus()).as(path).isEqualTo(200);
        return response.getContentAsString();
    }
}
