package keel.app.failures;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import jakarta.persistence.EntityManager;
import java.util.List;
import keel.app.people.LogFilter;
import keel.app.people.LogKind;
import keel.app.people.LogLine;
import keel.app.people.Logbook;
import keel.app.prints.RunEntry;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.failure.Certainty;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.transaction.support.TransactionTemplate;

/** When a cause that somebody named counts as found, when not, and what the shop learns from it. */
class ClosingPagesTest extends PageTest {

    @Autowired
    private Failures failures;

    @Autowired
    private ClosedFailures closed;

    @Autowired
    private VerdictsAnew anew;

    @Autowired
    private Runs runs;

    @Autowired
    private Logbook logbook;

    @Autowired
    private EntityManager entities;

    @Autowired
    private TransactionTemplate transaction;

    private String machine;

    @BeforeEach
    void aMachine() {
        shop.people();
        machine = shop.maskMachine();
    }

    @Test
    void foundWaitsForAGoodPrintThatGetsPastThePointOfFailure() {
        long id = failed("layer-split");
        name(id, "vat-bolts-loose", "FOUND");
        assertThat(failures.one(id).certainty()).isEqualTo(Certainty.PRESUMED);
        assertThat(page("/failures/" + id)).contains("It explains little of what was seen");
        accepted("/failures/" + id + "/checks", "check", "vat-bolts", "found", "vat-bolts-loose");
        assertThat(page("/failures/" + id)).contains("past layer 700");
        good("Small", 6, 400);
        assertThat(failures.one(id).certainty())
                .as("400 layers say nothing of layer 700")
                .isEqualTo(Certainty.PRESUMED);
        good("Tall", 8, 900);
        assertThat(failures.one(id).certainty()).isEqualTo(Certainty.FOUND);
        assertThat(page("/failures/" + id)).contains("would have shown it again", "% of what was seen");
    }

    @Test
    void aCheckThatIsTakenBackTakesItsProofWithIt() {
        long id = failed("layer-split");
        accepted("/failures/" + id + "/checks", "check", "vat-bolts", "found", "vat-bolts-loose");
        name(id, "vat-bolts-loose", "PRESUMED");
        good("Tall", 8, 900);
        double sure = failures.one(id).began();
        assertThat(failures.one(id).certainty()).isEqualTo(Certainty.FOUND);
        long check = entities.createQuery("select max(c.id) from FailureCheck c", Long.class)
                .getSingleResult();
        accepted("/failures/" + id + "/checks/" + check + "/withdraw");
        assertThat(failures.one(id).began()).as("judged anew without it").isLessThan(sure);
        assertThat(failures.one(id).certainty()).isEqualTo(Certainty.PRESUMED);
    }

    @Test
    void whatExplainsNothingOfWhatWasSeenStaysPresumedAndTeachesLittle() {
        double before = closed.counts().getOrDefault("vat-bolts-loose", 0.0);
        long id = failed("white-bloom");
        accepted("/failures/" + id + "/checks", "check", "vat-bolts", "found", "vat-bolts-loose");
        name(id, "vat-bolts-loose", "FOUND");
        good("Tall", 8, 900);
        assertThat(failures.one(id).certainty()).isEqualTo(Certainty.PRESUMED);
        assertThat(page("/failures/" + id)).contains("It explains little of what was seen");
        assertThat(closed.counts().getOrDefault("vat-bolts-loose", 0.0)).isCloseTo(before, within(0.01));
    }

    @Test
    void whatHasNoEntryAtTheBenchIsSaidToBeMendedAndTakenBack() {
        long id = failed("model-torn-off");
        name(id, "supports-weak", "PRESUMED");
        assertThat(page("/failures/" + id)).contains("Nothing that mends it is on record yet");
        assertThat(page("/failures/" + id)).contains("It is done");
        accepted("/failures/" + id + "/mended", "done", "true");
        accepted("/failures/" + id + "/mended", "done", "true");
        assertThat(page("/failures/" + id)).contains("Found once the same job comes out", "Not done after all");
        good("Other", 40, 900);
        assertThat(failures.one(id).certainty())
                .as("another job says nothing of this one's supports")
                .isEqualTo(Certainty.PRESUMED);
        good("Latch", 42, 1000);
        assertThat(failures.one(id).certainty()).isEqualTo(Certainty.FOUND);
        accepted("/failures/" + id + "/mended", "done", "false");
        assertThat(failures.one(id).certainty()).isEqualTo(Certainty.PRESUMED);
        assertThat(lines("CAUSE_MENDED", id)).hasSize(2);
    }

    @Test
    void nothingIsMendedBeforeItHasAName() {
        long id = failed("layer-split");
        refused(409, "Name the cause first", "/failures/" + id + "/mended", "done", "true");
        name(id, "exposure-short", "PRESUMED");
        accepted("/failures/" + id + "/mended");
        name(id, "lift-fast", "PRESUMED");
        assertThat(failures.one(id).mendedAt())
                .as("what was mended for another cause")
                .isNull();
    }

    @Test
    void verdictsOfOlderVersionsAreJudgedAnewOnceAndSaidInTheLogbook() {
        long run = failedRun();
        long explains = failed(run, "layer-split");
        accepted("/failures/" + explains + "/checks", "check", "vat-bolts", "found", "vat-bolts-loose");
        long not = failed(run, "white-bloom");
        List.of(explains, not).forEach(id -> name(id, "vat-bolts-loose", "FOUND"));
        good("Tall", 8, 900);
        transaction.executeWithoutResult(t -> entities.createNativeQuery(
                        "update failure set certainty = 'FOUND', began = null, explains = null where id in (?1, ?2)")
                .setParameter(1, explains)
                .setParameter(2, not)
                .executeUpdate());
        assertThat(anew.all()).isEqualTo(2);
        assertThat(failures.one(explains).certainty()).isEqualTo(Certainty.FOUND);
        assertThat(failures.one(not).certainty()).isEqualTo(Certainty.PRESUMED);
        assertThat(lines("CAUSE_JUDGED_ANEW", explains)).isEmpty();
        assertThat(lines("CAUSE_JUDGED_ANEW", not)).singleElement().satisfies(l -> assertThat(l.headline())
                .contains("was found, now presumed"));
        assertThat(anew.all()).as("once").isZero();
    }

    private long failed(String symptom) {
        return failed(failedRun(), symptom);
    }

    private long failedRun() {
        return runs.enter(new RunEntry(
                        machine, "Latch", TestShop.at(2), TestShop.at(4), 1000, 1.8, 50.0, "FAILED", 700, null))
                .id();
    }

    private long failed(long run, String symptom) {
        return failures.log(new FailureEntry(machine, run, TestShop.at(5), List.of(symptom), null, null, null))
                .id();
    }

    private void name(long failure, String cause, String certainty) {
        accepted("/failures/" + failure + "/cause", "cause", cause, "certainty", certainty);
    }

    private void good(String job, int hour, int layers) {
        runs.enter(new RunEntry(
                machine, job, TestShop.at(hour), TestShop.at(hour + 1), layers, 1.8, 20.0, "GOOD", null, null));
    }

    private List<LogLine> lines(String kind, long failure) {
        return logbook.lines(
                new LogFilter(machine, null, LogKind.valueOf(kind), null, null, "FAILURE", failure, 0, 20));
    }
}
