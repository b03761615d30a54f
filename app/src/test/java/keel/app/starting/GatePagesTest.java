package keel.app.starting;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import keel.app.air.Air;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.support.PageTest;
import keel.core.gate.GateItem;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

class GatePagesTest extends PageTest {

    private static final String[] LOOKED = {"plate-seen", "vat-felt", "resin-stirred", "file-and-air", "resin-enough"};

    @Autowired
    private Gates gates;

    @Autowired
    private Air air;

    @Autowired
    private GateQuestions questions;

    @Autowired
    private Logbook logbook;

    private static String[] job(String... more) {
        List<String> fields =
                new ArrayList<>(List.of("job", "Hinge", "layers", "1000", "layerExposureS", "2,3", "resinMl", "84"));
        fields.addAll(List.of(more));
        return fields.toArray(String[]::new);
    }

    private static String[] looked() {
        List<String> fields = new ArrayList<>();
        for (String item : LOOKED) {
            fields.addAll(List.of("looked", item));
        }
        return job(fields.toArray(String[]::new));
    }

    private GateItem item(String m, String code) {
        return gates.of(m, Gates.Job.of(1000, 84.0)).stream()
                .filter(i -> i.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void aRunStartsOnceEverythingWasLookedAtAndTheBookSaysSo() {
        String m = shop.maskMachine();
        String html = refused(
                422,
                "Not looked at yet: Nothing hangs on the plate",
                "/machines/" + m + "/start",
                job("looked", "vat-felt"));
        assertThat(html).contains("value=\"Hinge\"", "value=\"2,3\"").containsPattern("value=\"vat-felt\"[^>]*checked");
        assertThat(shop.now(m).run()).isNull();
        accepted("/machines/" + m + "/start", looked());
        assertThat(shop.now(m).run().job()).isEqualTo("Hinge");
        assertThat(logbook.lines(LogFilter.ofMachine(m, 9)))
                .anySatisfy(l -> assertThat(l.headline()).contains("looked at before the start"));
    }

    @Test
    void aHeldMachineDoesNotStartAndAKeeperMayOverrideWithAReason() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        String html = page("/machines/" + m + "/start");
        assertThat(html)
                .contains("The last print may still hang on the plate", "Clear the holds first", "Start all the same");
        refused(409, "must not print", "/machines/" + m + "/start", looked());
        shop.as("operator");
        assertThat(page("/machines/" + m + "/start"))
                .contains("A keeper can override")
                .doesNotContain("name=\"overrideReason\"");
        shop.as("keeper");
        List<String> fields = new ArrayList<>(List.of(looked()));
        fields.addAll(List.of("overrideReason", "seen, it is clear"));
        accepted("/machines/" + m + "/start", fields.toArray(String[]::new));
        assertThat(shop.now(m).run()).isNotNull();
    }

    @Test
    void whatTheRecordsKnowIsAnswered() {
        String m = shop.maskMachine();
        assertThat(item(m, "resin-enough").state()).isEqualTo(GateItem.State.ASK);
        accepted("/machines/" + m + "/pour", "resin", shop.resin("Fen green"), "ml", "240");
        assertThat(item(m, "resin-enough").state()).isEqualTo(GateItem.State.OK);
        assertThat(gates.of(m, Gates.Job.of(1000, 220.0)))
                .filteredOn(i -> i.code().equals("resin-enough"))
                .singleElement()
                .satisfies(i -> assertThat(i.text()).contains("Pour about 22 ml more"));
        assertThat(item(m, "temperature").state()).isEqualTo(GateItem.State.WARN);
        air.read(shop.now(m).room(), 16.0, null);
        assertThat(item(m, "temperature").text()).contains("16.0 °C in the room", "0.2 to 0.5 s", "measure it");
        air.read(shop.now(m).room(), 22.0, null);
        assertThat(item(m, "temperature").state()).isEqualTo(GateItem.State.OK);
    }

    /** What the resin itself shows outweighs the room; it is asked for only where it may tell more. */
    @Test
    void theResinsOwnTemperatureCountsWhereSomebodyMeasuredIt() {
        String m = shop.maskMachine();
        air.read(shop.now(m).room(), 16.0, null);
        assertThat(page("/machines/" + m + "/start")).contains("name=\"resinC\"");
        List<String> fields = new ArrayList<>(List.of(looked()));
        fields.addAll(List.of("resinC", "warm"));
        refused(422, "This is no number: warm.", "/machines/" + m + "/start", fields.toArray(String[]::new));
        fields.set(fields.size() - 1, "80");
        refused(422, "The resin", "/machines/" + m + "/start", fields.toArray(String[]::new));
        fields.set(fields.size() - 1, "23,5");
        accepted("/machines/" + m + "/start", fields.toArray(String[]::new));
        assertThat(item(m, "temperature").state()).isEqualTo(GateItem.State.OK);
        assertThat(item(m, "temperature").text()).isEqualTo("23.5 °C in the resin.");
        assertThat(page("/machines/" + m + "/start")).doesNotContain("name=\"resinC\"");
        assertThat(logbook.lines(LogFilter.ofMachine(m, 9)))
                .anySatisfy(l -> assertThat(l.headline()).endsWith("measured: 23.5 °C."));
    }

    @Test
    void theSameAgainAfterAFailureIsWarnedOfUntilSomethingIsChanged() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.failure(m, 6, "layer-split");
        shop.service(m, "CLEAN_UP", 7, "way", "FULL");
        shop.service(m, "PLATE_CLEARED", 7);
        assertThat(item(m, "nothing-changed").state()).isEqualTo(GateItem.State.WARN);
        shop.service(m, "LEVELLING", 8, "school", "PAPER");
        assertThat(gates.of(m, Gates.Job.of(1000, 84.0)))
                .noneMatch(i -> i.code().equals("nothing-changed"));
        shop.failure(m, 9, "layer-split");
        shop.run(m, 10, 4);
        assertThat(gates.of(m, Gates.Job.of(1000, 84.0)))
                .as("a good print since")
                .noneMatch(i -> i.code().equals("nothing-changed"));
    }

    @Test
    void theLastJobStandsInTheFormAndNonsenseInALinkIsPassedOver() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        assertThat(page("/machines/" + m + "/start"))
                .contains("value=\"Latch pattern\"", "value=\"1000\"", "value=\"50\"");
        assertThat(page("/machines/" + m + "/start?job=x&layers=many&resinMl=-5"))
                .contains("value=\"many\"", "value=\"-5\"");
        assertThat(form("/machines/" + m + "/start", "job", "x", "layers", "many", "layerExposureS", "", "resinMl", "")
                        .status())
                .isEqualTo(422);
    }

    @Test
    void theShopsOwnQuestionsAreAskedOnTheMachinesTheyAreFor() {
        refused(
                422,
                "Choose at least one kind of machine.",
                "/setup/gate",
                "text",
                "The mesh is clear.",
                "part",
                "ROOM");
        refused(
                422,
                "Choose where it is looked at.",
                "/setup/gate",
                "text",
                "The mesh is clear.",
                "part",
                "ROOF",
                "kinds",
                "MASK");
        refused(422, "The question is missing.", "/setup/gate", "text", " ", "part", "ROOM", "kinds", "MASK");
        accepted("/setup/gate", "text", "The mesh is clear.", "part", "ROOM", "kinds", "MASK");
        String mask = shop.maskMachine();
        String laser = shop.machine(keel.core.standing.MachineKind.LASER_TANK, false);
        assertThat(gates.of(mask, Gates.Job.of(1000, 84.0)))
                .anySatisfy(i -> assertThat(i.text()).isEqualTo("The mesh is clear."));
        assertThat(gates.of(laser, Gates.Job.of(1000, 84.0)))
                .noneMatch(i -> i.text().equals("The mesh is clear."));
        refused(422, "Not looked at yet: The mesh is clear.", "/machines/" + mask + "/start", looked());
        GateQuestions.Question own = questions.all().stream()
                .filter(q -> q.text().equals("The mesh is clear."))
                .findFirst()
                .orElseThrow();
        accepted("/setup/gate/" + own.id() + "/retire");
        accepted("/machines/" + mask + "/start", looked());
    }

    @Test
    void theJobIsReckonedFromThePaceOfEarlierLayersWhereThereIsNoProfile() {
        String m = shop.maskMachine();
        assertThat(page("/machines/" + m + "/start"))
                .contains("id=\"estimate\"")
                .doesNotContain("Light on");
        shop.run(m, 1, 4);
        shop.service(m, "PLATE_CLEARED", 6);
        assertThat(page("/machines/" + m + "/start?job=x&layers=1500&layerExposureS=1.8&resinMl=40"))
                .as("1000 layers took 4 h")
                .contains("6 h 00", "45 min", "Done about");
        assertThat(item(m, "profile").text()).contains("No resin is on record");
    }

    @Test
    void aPartIsReckonedAtItsTilts() {
        String m = shop.maskMachine();
        assertThat(page("/machines/" + m + "/tilt?length=100&height=20"))
                .as("L·sin + H·cos")
                .contains("67 mm", "85 mm")
                .doesNotContain("layers,");
        assertThat(page("/machines/" + m + "/tilt?length=400&height=20")).contains("taller than the machine");
        assertThat(page("/machines/" + m + "/tilt?length=0&height=20")).contains("more than 0");
        assertThat(page("/machines/" + m + "/tilt?length=long&height=20")).contains("This is no number: long.");
    }

    @Test
    void aHarmThatTheLastFailureMayHaveLeftIsLookedForFirst() {
        String m = shop.maskMachine();
        shop.failure(m, 4, "hole-through");
        shop.service(m, "CLEAN_UP", 5, "way", "FULL", "sieved", true, "emptied", false);
        GateItem item = item(m, "look-for-screen-dark-pixels");
        assertThat(item.state()).isEqualTo(GateItem.State.ASK);
        assertThat(gates.of(m, Gates.Job.of(1000, 84.0)))
                .as("the clean-up has looked at film and vat")
                .noneMatch(i -> i.code().equals("look-for-film-pierced"));
        refused(422, "Not looked at yet: The last failure may have left this", "/machines/" + m + "/start", looked());
        shop.service(m, "SCREEN_INSPECTED", 6, "clean", true);
        assertThat(gates.of(m, Gates.Job.of(1000, 84.0)))
                .noneMatch(i -> i.code().startsWith("look-for-"));
    }
}
