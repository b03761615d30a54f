package keel.app.prints;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

class RunsPagesTest extends PageTest {

    @Autowired
    private Runs runs;

    @Test
    void aRunIsStartedFinishedBadlyAndLeadsIntoItsFailure() {
        String m = shop.maskMachine();
        runs.enter(new RunEntry(m, "Hinge", null, null, 900, 2.1, 40.0, null, null, null));
        long id = shop.now(m).run().id();
        assertThat(form("/runs/" + id + "/look").status()).isEqualTo(422);
        assertThat(page("/runs/" + id + "/now")).contains("It has ended", "Finish the run");
        assertThat(page("/fleet")).contains("Hinge");
        refused(
                422,
                "The layer reached must be between 0 and 900",
                "/runs/" + id + "/finish",
                "outcome",
                "FAILED",
                "reachedLayer",
                "901",
                "endedAt",
                "",
                "resinMl",
                "");
        assertThat(shop.now(m).run()).isNotNull();
        String next = accepted(
                "/runs/" + id + "/finish", "outcome", "FAILED", "reachedLayer", "0", "endedAt", "", "resinMl", "12");
        assertThat(next).isEqualTo("/failures/new?machine=" + m + "&run=" + id);
        assertThat(page(next)).contains("name=\"run\" value=\"" + id + "\"");
        assertThat(runs.one(id).usedMl()).isEqualTo(12);
        assertThat(runs.one(id).resinMl()).as("of the whole").isEqualTo(40);
    }

    @Test
    void aRunIsCorrectedWithItsReasonAndBothStandInTheBook() {
        String m = shop.maskMachine();
        RunView run = shop.run(m, 1, 4);
        String[] fields = {
            "machine",
            m,
            "job",
            "Latch, second try",
            "startedAt",
            "2025-01-01T01:00",
            "endedAt",
            "2025-01-01T06:00",
            "layers",
            "1000",
            "layerExposureS",
            "1.8",
            "resinMl",
            "50",
            "outcome",
            "GOOD",
            "reachedLayer",
            "",
            "reason",
            ""
        };
        refused(422, "The reason for the correction is missing", "/runs/" + run.id() + "/correct", fields);
        fields[fields.length - 1] = "wrong clock";
        accepted("/runs/" + run.id() + "/correct", fields);
        assertThat(page("/runs/" + run.id()))
                .contains("Latch, second try", "Because: wrong clock", "class=\"superseded\"");
        assertThat(shop.filmHours(m)).isEqualTo(5);
    }

    @Test
    void theListIsSearchedByMachineAndWord() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        assertThat(page("/runs?machine=" + m + "&text=LATCH")).contains("Latch pattern");
        assertThat(page("/runs?machine=" + m + "&text=100%25")).contains("No runs here yet");
        assertThat(page("/runs/new?after=true&machine=" + m))
                .as("starts from the last run")
                .contains("value=\"1000\"", "value=\"1.8\"");
    }
}
