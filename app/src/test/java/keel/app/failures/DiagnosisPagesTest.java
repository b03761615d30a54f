package keel.app.failures;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** The failure page and the open interface give one answer, and a check changes it. */
class DiagnosisPagesTest extends PageTest {

    @Autowired
    private Diagnoses diagnoses;
    @Autowired
    private Failures failures;

    @Test
    void aClearedCheckChangesWhatThePageSays() {
        shop.people();
        String machine = shop.maskMachine();
        long id = shop.failure(machine, 4, "bits-in-vat", "part-missing").id();
        String before = page("/failures/" + id);
        assertThat(first(before)).isEqualTo("debris-on-film").isEqualTo(diagnoses.of(failures.one(id)).causes().get(0).code());
        assertThat(before).contains("Bits in the vat +").contains("Feel the vat floor");
        accepted("/failures/" + id + "/checks", "check", "feel-vat", "found", "");
        accepted("/failures/" + id + "/checks", "check", "stir-look", "found", "");
        String after = page("/failures/" + id);
        assertThat(first(after)).isNotEqualTo("debris-on-film").isEqualTo(diagnoses.of(failures.one(id)).causes().get(0).code());
        assertThat(after).contains("found nothing");
    }

    /** How a machine stands today says nothing of what was settled long ago. */
    @Test
    void theMachinesHistoryCountsOnlyWhileTheCauseIsOpen() {
        shop.people();
        String machine = shop.maskMachine();
        long id = shop.failure(machine, 4, "grinding", "layer-shift").id();
        shop.run(machine, 10, 240);
        assertThat(facts(id)).contains("history:z-unlubricated");
        shop.as("keeper");
        failures.nameCause(id, "z-dry", "PRESUMED", null);
        assertThat(facts(id)).doesNotContain("history:z-unlubricated");
    }

    private String facts(long id) {
        return diagnoses.of(failures.one(id)).causes().get(0).evidence().toString();
    }

    private static String first(String html) {
        String list = html.substring(html.indexOf("<ul class=\"fits\">"));
        return list.replaceAll("(?s)^.*?name=\"cause\" value=\"([a-z-]+)\".*$", "$1");
    }
}
