package keel.app.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.starting.Gates;
import keel.app.support.PageTest;
import keel.core.gate.GateItem;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/**
 * A quirk belongs to a machine, a model, a controller or a firmware, and every machine that has it says so at its gate.
 */
class QuirksPagesTest extends PageTest {

    @Autowired
    private Quirks quirks;

    @Autowired
    private Gates gates;

    @BeforeEach
    void people() {
        shop.people();
        shop.as("keeper");
    }

    @Test
    void aMachinesQuirkStandsAtItsGateAndCountsInTheDiagnosis() {
        String machine = shop.maskMachine();
        accepted(
                "/quirks",
                "scope",
                "MACHINE",
                "holder",
                machine,
                "code",
                "quirk-smoothing-axis",
                "text",
                "Smooths one axis only",
                "workaround",
                "Turn by 45°.");
        assertThat(gates.of(machine, Gates.Job.of(null, null)))
                .extracting(GateItem::text)
                .contains("Smooths one axis only. Turn by 45°.");
        assertThat(quirks.facts(machine)).containsExactly("quirk-smoothing-axis");
        assertThat(shop.now(machine).standing().sentence()).contains("Smooths one axis only");
        accepted("/quirks/" + quirks.of(machine).get(0).id() + "/retire");
        assertThat(quirks.of(machine)).isEmpty();
    }

    @Test
    void aModelsQuirkBelongsToAllOfTheModel() {
        String machine = shop.maskMachine();
        String sister = shop.machineOf(shop.modelOf(machine));
        String other = shop.maskMachine();
        quirks.add("MODEL", shop.modelOf(machine), null, "The door sticks", "Lift it.");
        assertThat(quirks.of(sister)).extracting(Quirk::text).containsExactly("The door sticks");
        assertThat(quirks.of(other)).isEmpty();
    }

    @Test
    void controllerAndFirmwareAreSharedByThoseThatHaveThem() {
        String machine = shop.maskMachine();
        String other = shop.maskMachine();
        quirks.add("CONTROLLER", "Green board " + machine, "quirk-grey-rows", "Stumbles", "Turn it.");
        quirks.add("FIRMWARE", "4.1 " + machine, null, "Forgets the clock", "Set it.");
        assertThat(quirks.of(machine)).isEmpty();
        accepted("/quirks/controllers", "machine", machine, "controller", "green board " + machine);
        shop.service(machine, "FIRMWARE", 3, "version", "4.1 " + machine);
        assertThat(quirks.of(machine))
                .extracting(Quirk::scope)
                .containsExactlyInAnyOrder(Quirk.Scope.CONTROLLER, Quirk.Scope.FIRMWARE);
        assertThat(quirks.of(other)).isEmpty();
        shop.service(machine, "FIRMWARE", 5, "version", "4.2");
        assertThat(quirks.of(machine)).extracting(Quirk::scope).containsExactly(Quirk.Scope.CONTROLLER);
    }

    @Test
    void onePieceOnTwoMachinesIsKept() {
        String first = shop.maskMachine();
        String second = shop.maskMachine();
        accepted(
                "/quirks/comparisons",
                "piece",
                "Axis piece",
                "first",
                first,
                "firstShows",
                "smooth",
                "second",
                second,
                "secondShows",
                "steps",
                "differs",
                "true");
        assertThat(page("/quirks")).contains("Axis piece", "steps");
        refused(
                422,
                "Choose two machines.",
                "/quirks/comparisons",
                "piece",
                "Axis piece",
                "first",
                first,
                "firstShows",
                "a",
                "second",
                first,
                "secondShows",
                "b");
    }

    @Test
    void whatIsMissingIsSaid() {
        refused(
                422,
                "There is no machine dodo.",
                "/quirks",
                "scope",
                "MACHINE",
                "holder",
                "dodo",
                "text",
                "odd",
                "workaround",
                "live");
        refused(
                422,
                "How to live with it is missing",
                "/quirks",
                "scope",
                "CONTROLLER",
                "holder",
                "x",
                "text",
                "odd",
                "workaround",
                "");
        shop.as("operator");
        assertThat(form("/quirks", "scope", "CONTROLLER", "holder", "x", "text", "odd", "workaround", "live")
                        .status())
                .isEqualTo(403);
    }
}
