package keel.app.failures;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import keel.app.prints.Attempts;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.diagnosis.Diagnosis;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * The desk of one failure: the page and the open interface give one answer, checks change it, and the way back ends
 * with a proof.
 */
class CasePagesTest extends PageTest {

    private static final Pattern CHECK = Pattern.compile("name=\"check\" value=\"([a-z-]+)\"");

    @Autowired
    private Diagnoses diagnoses;

    @Autowired
    private Failures failures;

    @Autowired
    private Verdicts verdicts;

    @Autowired
    private CaseChecks caseChecks;

    @Autowired
    private Runs runs;

    @Autowired
    private Attempts attempts;

    private String machine;

    @BeforeEach
    void aMachine() {
        shop.people();
        machine = shop.maskMachine();
    }

    @Test
    void aClearedCheckChangesWhatThePageSays() {
        long id = shop.failure(machine, 4, "bits-in-vat", "part-missing").id();
        String before = page("/failures/" + id);
        assertThat(first(id)).isEqualTo("debris-on-film");
        assertThat(before).contains("Cured bits on the film", "bits in the vat", "Feel the vat floor");
        accepted("/failures/" + id + "/checks", "check", "feel-vat", "found", "");
        accepted("/failures/" + id + "/checks", "check", "stir-look", "found", "");
        assertThat(first(id)).isNotEqualTo("debris-on-film");
        assertThat(page("/failures/" + id)).contains("Smooth all over", "Even, nothing in it");
    }

    @Test
    void theNextCheckIsAnsweredWithOneOfItsNumberedAnswers() {
        long id = shop.failure(machine, 4, "layer-split", "part-missing").id();
        String html = page("/failures/" + id);
        assertThat(html).contains("data-answers", "data-key=\"1\"", "Can’t now");
        String asked = asked(html);
        accepted("/failures/" + id + "/checks", "check", asked, "found", "");
        assertThat(caseChecks.checks(id)).extracting(CheckView::check).containsExactly(asked);
        assertThat(asked(page("/failures/" + id))).isNotEqualTo(asked);
    }

    @Test
    void aCheckThatCannotBeDoneIsPassedOverAndCanBeOfferedAgain() {
        long id = shop.failure(machine, 4, "layer-split", "part-missing").id();
        String asked = asked(page("/failures/" + id));
        accepted("/failures/" + id + "/skip", "check", asked);
        String html = page("/failures/" + id);
        assertThat(asked(html)).isNotEqualTo(asked);
        assertThat(html).contains("Passed over");
        accepted("/failures/" + id + "/skip", "check", asked, "again", "true");
        assertThat(asked(page("/failures/" + id))).isEqualTo(asked);
        refused(422, "There is no check tea-leaves.", "/failures/" + id + "/skip", "check", "tea-leaves");
    }

    @Test
    void anotherCheckCanBeChosen() {
        long id = shop.failure(machine, 4, "layer-split", "part-missing").id();
        assertThat(asked(page("/failures/" + id + "?look=vat-bolts"))).isEqualTo("vat-bolts");
    }

    @Test
    void aCheckIsTakenBack() {
        long id = shop.failure(machine, 4, "layer-split", "part-missing").id();
        accepted("/failures/" + id + "/checks", "check", "vat-bolts", "found", "vat-bolts-loose");
        assertThat(first(id)).isEqualTo("vat-bolts-loose");
        long check = caseChecks.checks(id).get(0).id();
        accepted("/failures/" + id + "/checks/" + check + "/withdraw");
        assertThat(caseChecks.checks(id)).isEmpty();
        assertThat(first(id)).isNotEqualTo("vat-bolts-loose");
    }

    @Test
    void theRecordsCountAsTheyStoodWhenItFailed() {
        shop.run(machine, 10, 240);
        long id = shop.failure(machine, 260, "z-lines").id();
        assertThat(facts(id)).contains("history:z-unlubricated");
        shop.service(machine, "LUBRICATION", 261, "part", "SCREW");
        assertThat(facts(id)).as("greased only afterwards").contains("history:z-unlubricated");
        long later = shop.failure(machine, 262, "z-lines").id();
        assertThat(facts(later)).doesNotContain("history:z-unlubricated").contains("history:z-lubricated");
    }

    @Test
    void whatIsToldOfThePrintCounts() {
        long id = shop.failure(machine, 4, "burst-wall").id();
        double before = share(id, "no-drain");
        accepted("/failures/" + id + "/facts", "facts", "one-drain-or-none");
        assertThat(share(id, "no-drain")).isGreaterThan(before);
        refused(422, "There is no fact of history sun-spots.", "/failures/" + id + "/facts", "facts", "sun-spots");
    }

    @Test
    void aVerdictIsOpenedAgainWithAReason() {
        long id = shop.failure(machine, 4, "layer-split").id();
        accepted("/failures/" + id + "/cause", "cause", "vat-bolts-loose", "certainty", "PRESUMED");
        refused(422, "Why it is opened again is missing", "/failures/" + id + "/reopen", "reason", "");
        accepted("/failures/" + id + "/reopen", "reason", "It came back");
        assertThat(failures.one(id).certainty()).isNull();
        assertThat(page("/failures/" + id)).contains("It came back");
        refused(409, "open already", "/failures/" + id + "/reopen", "reason", "again");
    }

    @Test
    void theWayBackNamesTheWorkAndTicksWhatWasDone() {
        long id = shop.failure(machine, 4, "layer-split").id();
        accepted("/failures/" + id + "/cause", "cause", "film-worn", "certainty", "PRESUMED");
        String html = page("/failures/" + id);
        assertThat(html)
                .contains(
                        "The way back: film clouded or scratched",
                        "/machines/" + machine + "/do/FILM_CHANGE",
                        "/machines/" + machine + "/do/CLEAN_UP");
        shop.filmChange(machine, 6);
        assertThat(page("/failures/" + id))
                .doesNotContain("/machines/" + machine + "/do/FILM_CHANGE")
                .contains("/machines/" + machine + "/do/LEVELLING");
    }

    @Test
    void onlyTheLostPartsAreTakenToTheGateAndTheAttemptsStayTogether() {
        RunView failed = runs.enter(new RunEntry(
                machine, "Larvae", TestShop.at(2), TestShop.at(4), 1000, 1.8, 60.0, "PARTIAL", null, null));
        long id = failures.log(new FailureEntry(
                        machine, failed.id(), TestShop.at(5), List.of("layer-split"), null, null, null))
                .id();
        accepted("/failures/" + id + "/cause", "cause", "exposure-short", "certainty", "PRESUMED");
        refused(422, "How many of them were lost", "/failures/" + id + "/parts", "partsPrinted", "4", "partsLost", "5");
        accepted("/failures/" + id + "/parts", "partsPrinted", "12", "partsLost", "4");
        assertThat(page("/failures/" + id)).contains("4 of 12 parts", "resinMl=20", "againOf=" + failed.id());
        shop.service(machine, "LEVELLING", 6, "school", "PAPER");
        RunView again = runs.enter(new RunEntry(
                machine,
                "Larvae",
                TestShop.at(7),
                TestShop.at(8),
                1000,
                1.8,
                20.0,
                "GOOD",
                null,
                null,
                null,
                failed.id(),
                null,
                null,
                null));
        var chain = attempts.of(again.id());
        assertThat(chain).extracting(a -> a.run().id()).containsExactly(failed.id(), again.id());
        assertThat(chain.get(1).changed()).containsExactly("levelled");
        assertThat(page("/failures/" + id)).contains("Attempts at this job", "changed before it: levelled");
    }

    @Test
    void whatWasLookedForAndNotThereIsTickedAndCounts() {
        String to = accepted(
                "/failures",
                "machine",
                machine,
                "symptoms",
                "part-missing",
                "absent",
                "film-cloudy",
                "absent",
                "bits-in-vat");
        long id = Long.parseLong(to.substring(to.lastIndexOf('/') + 1));
        assertThat(failures.one(id).absent()).containsExactlyInAnyOrder("film-cloudy", "bits-in-vat");
        long without = shop.failure(machine, 4, "part-missing").id();
        assertThat(share(id, "film-worn")).isLessThan(share(without, "film-worn"));
        assertThat(page("/failures/new")).contains("Looked for, and not there");
        refused(
                422,
                "cannot be there and not be there",
                "/failures",
                "machine",
                machine,
                "symptoms",
                "crunch",
                "absent",
                "crunch");
    }

    @Test
    void earlierOnesLikeItStandBeside() {
        long earlier = shop.failure(machine, 4, "grinding", "z-lines").id();
        shop.as("keeper");
        verdicts.nameCause(earlier, "z-dry", "PRESUMED", null);
        long id = shop.failure(machine, 6, "grinding", "z-lines").id();
        assertThat(page("/failures/" + id)).contains("/failures/" + earlier + "\"", "z screw or rail dry");
    }

    private String first(long id) {
        String cause = diagnoses.of(failures.one(id)).causes().get(0).code();
        String name = diagnoses.of(failures.one(id)).causes().get(0).name();
        String html = page("/failures/" + id);
        assertThat(html.indexOf("<strong>" + name))
                .as("the page begins with " + name)
                .isEqualTo(html.indexOf("<strong>", html.indexOf("class=\"suspects\"")));
        return cause;
    }

    private double share(long id, String cause) {
        return diagnoses.of(failures.one(id)).causes().stream()
                .filter(c -> c.code().equals(cause))
                .mapToDouble(Diagnosis.Suspect::probability)
                .findFirst()
                .orElseThrow();
    }

    private String facts(long id) {
        return diagnoses.of(failures.one(id)).causes().get(0).evidence().toString();
    }

    private static String asked(String html) {
        Matcher check = CHECK.matcher(html.substring(html.indexOf("data-answers")));
        assertThat(check.find()).isTrue();
        return check.group(1);
    }

    /** What must be looked at is a step of the way back, one for each page, and ticked once somebody looked. */
    @Test
    void aLookOfTheWayBackIsTickedOnceItWasMade() {
        String m = shop.maskMachine();
        long id = shop.failure(m, 6, "crunch", "hole-through").id();
        String before = page("/failures/" + id);
        assertThat(before).contains("Before anything prints, look for", "Look for: ");
        assertThat(before.split("/do/VAT_INSPECTED", -1)).as("one way to it").hasSize(2);
        shop.service(m, "VAT_INSPECTED", 8, "clean", true);
        assertThat(page("/failures/" + id)).containsPattern("<li class=\"done\">(?:(?!</li>).)*Inspect the vat");
    }
}
