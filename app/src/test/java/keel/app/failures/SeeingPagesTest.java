package keel.app.failures;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import keel.app.base.Paging;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** What is seen is added and taken back; a slip, a second tap, a second failure of one print are noticed. */
class SeeingPagesTest extends PageTest {

    @Autowired
    private Failures failures;

    @Autowired
    private Runs runs;

    private String machine;

    @BeforeEach
    void aMachine() {
        shop.people();
        machine = shop.maskMachine();
    }

    @Test
    void anEmptyFailureAsksOneQuestionAndIsAnswered() {
        long id = shop.failure(machine, 4).id();
        String html = page("/failures/" + id);
        assertThat(html).contains("What do you see?").doesNotContain("What it most likely is", "Look next");
        accepted("/failures/" + id + "/seen", "symptoms", "layer-split", "absent", "film-slack");
        assertThat(page("/failures/" + id)).contains("What it most likely is", "layers split");
        assertThat(failures.one(id).absent()).containsExactly("film-slack");
    }

    @Test
    void whatWasSeenIsAddedAndTakenBack() {
        long id = shop.failure(machine, 4, "layer-split").id();
        accepted("/failures/" + id + "/seen", "symptom", "bits-in-vat");
        assertThat(failures.one(id).symptoms()).containsExactly("bits-in-vat", "layer-split");
        accepted("/failures/" + id + "/seen", "symptom", "bits-in-vat", "said", "NOT_THERE");
        assertThat(failures.one(id).symptoms()).containsExactly("layer-split");
        assertThat(failures.one(id).absent()).containsExactly("bits-in-vat");
        accepted("/failures/" + id + "/seen", "symptom", "bits-in-vat", "said", "NOTHING");
        assertThat(failures.one(id).absent()).isEmpty();
        int version = failures.one(id).version();
        accepted("/failures/" + id + "/seen", "symptom", "bits-in-vat", "said", "NOTHING");
        assertThat(failures.one(id).version()).as("a second tap writes nothing").isEqualTo(version);
        refused(422, "There is no symptom sun-spots", "/failures/" + id + "/seen", "symptom", "sun-spots");
        assertThat(page("/failures/" + id)).contains("also seen: bits in the vat", "taken back: bits in the vat");
    }

    @Test
    void aSlipIsTakenBackAtOnceAndOnlyOnce() {
        long id = shop.failure(machine, 4, "layer-split").id();
        assertThat(page("/failures/" + id)).contains("It was a slip");
        accepted("/failures/" + id + "/slip");
        assertThat(failures.one(id).withdrawn()).isTrue();
        assertThat(page("/failures/" + id)).doesNotContain("It was a slip");
    }

    @Test
    void theSameTappedTwiceIsWrittenOnce() {
        String first = accepted("/failures", "machine", machine, "symptoms", "layer-split");
        String second = accepted("/failures", "machine", machine, "symptoms", "layer-split");
        assertThat(second).isEqualTo(first);
        assertThat(failures.list(machine, true, Paging.of(0, 5))).hasSize(1);
    }

    /** The same symptom at another place of the plate is no second tap. */
    @Test
    void whatDiffersIsWrittenApart() {
        accepted("/failures", "machine", machine, "symptoms", "hole-through", "zones", "A1");
        accepted("/failures", "machine", machine, "symptoms", "hole-through", "zones", "F4");
        assertThat(failures.list(machine, true, Paging.of(0, 5))).hasSize(2);
    }

    @Test
    void checksThatWereDoneStayOnThePageThoughNothingIsSeen() {
        long id = shop.failure(machine, 4).id();
        accepted("/failures/" + id + "/checks", "check", "feel-vat", "found", "debris-on-film");
        assertThat(page("/failures/" + id)).contains("What it most likely is", "Cured bits on the film");
    }

    @Test
    void aSecondFailureOfOnePrintIsNoticedAndEitherAddedOrKeptApart() {
        Instant now = Instant.now();
        String run = ""
                + runs.enter(new RunEntry(
                                machine,
                                "Latch",
                                now.minusSeconds(9000),
                                now.minusSeconds(900),
                                1000,
                                1.8,
                                50.0,
                                "FAILED",
                                700,
                                null))
                        .id();
        accepted("/failures", "machine", machine, "run", run, "symptoms", "layer-split");
        long first = failures.list(machine, true, Paging.of(0, 1)).get(0).id();
        assertThat(page("/failures/new?machine=" + machine)).contains("Which print?", "a failure is on record");
        assertThat(page("/runs/" + run)).contains("What went wrong", "/failures/" + first);
        refused(409, "on record already", "/failures", "machine", machine, "run", run, "symptoms", "bits-in-vat");
        accepted(
                "/failures/" + first + "/seen",
                "machine",
                machine,
                "run",
                run,
                "symptoms",
                "bits-in-vat",
                "note",
                "Grey bits");
        assertThat(failures.one(first).note()).isEqualTo("Grey bits");
        assertThat(failures.one(first).symptoms()).containsExactly("bits-in-vat", "layer-split");
        accepted("/failures", "machine", machine, "run", run, "symptoms", "bits-in-vat", "another", "true");
        assertThat(failures.list(machine, true, Paging.of(0, 5))).hasSize(2);
        assertThat(page("/runs/" + run)).contains("And another time");
    }

    @Test
    void partsLightUpByWhatTheyExplain() {
        long id = shop.failure(machine, 4, "wet-under-vat").id();
        accepted("/failures/" + id + "/checks", "check", "leak-check", "found", "film-pierced");
        assertThat(page("/failures/" + id))
                .containsPattern("What explains what was seen: film (8[0-9]|9[0-9]|100) %")
                .contains("class=\"glow\"");
    }

    @Test
    void aFailureFarInThePastOffersNoPrintsOfToday() {
        runs.enter(
                new RunEntry(machine, "Latch", TestShop.at(2), TestShop.at(4), 1000, 1.8, 50.0, "FAILED", 700, null));
        assertThat(page("/failures/new?machine=" + machine))
                .as("ended years ago")
                .doesNotContain("Which print?");
        assertThat(List.of(status("/failures/new?machine=nobody"))).containsExactly(200);
    }
}
