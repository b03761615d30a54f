package keel.app.prints;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import keel.app.support.PageTest;
import keel.core.run.RunNumber;
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
                .as("starts from the last run, but for what each job has of its own")
                .contains("value=\"1.8\"")
                .doesNotContain("value=\"1000\"");
    }

    @Test
    void whatNobodyKnowsIsReckonedAsTheMachinePrintsAndSaidLater() {
        String m = shop.maskMachine();
        RunView known = shop.run(m, 1, 4);
        accepted(
                "/runs",
                "machine",
                m,
                "job",
                "Swift",
                "startedAt",
                "2025-01-02T08:00",
                "hours",
                "2:00",
                "outcome",
                "GOOD");
        RunView run = runs.last(m).orElseThrow();
        assertThat(run.guessed()).containsExactlyInAnyOrder(RunNumber.values());
        assertThat(run.hours()).isEqualTo(2);
        assertThat((double) run.layers()).isCloseTo(known.layers() * 2 / known.hours(), within(1.0));
        assertThat(run.resinMl()).isCloseTo(known.usedMl() * 2 / known.hours(), within(0.51));
        String[] fields = {
            "machine",
            m,
            "job",
            "Swift",
            "startedAt",
            "2025-01-02T08:00",
            "endedAt",
            "2025-01-02T10:00",
            "layers",
            Integer.toString(run.layers() + 40),
            "layerExposureS",
            Double.toString(run.layerExposureS()),
            "resinMl",
            Double.toString(run.resinMl()),
            "outcome",
            "GOOD",
            "reachedLayer",
            "",
            "reason",
            "found the file"
        };
        accepted("/runs/" + run.id() + "/correct", fields);
        assertThat(runs.one(run.id()).guessed()).containsExactlyInAnyOrder(RunNumber.EXPOSURE, RunNumber.RESIN);
        assertThat(page("/runs/" + run.id())).contains("Nobody knew its layer exposure and resin");
    }

    @Test
    void ofStartEndAndLengthTwoAreEnoughAndThreeMustAgree() {
        String m = shop.maskMachine();
        refused(
                422,
                "how long it went, is missing",
                "/runs",
                "machine",
                m,
                "job",
                "Swift",
                "outcome",
                "GOOD",
                "hours",
                "");
        refused(
                422,
                "not the time between",
                "/runs",
                "machine",
                m,
                "job",
                "Swift",
                "outcome",
                "GOOD",
                "startedAt",
                "2025-01-02T08:00",
                "endedAt",
                "2025-01-02T10:00",
                "hours",
                "5");
        assertThat(runs.last(m)).isEmpty();
    }
}
