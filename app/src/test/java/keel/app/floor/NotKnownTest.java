package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.standing.EveryPart;
import keel.app.standing.NotKnown;
import keel.app.standing.PartHours;
import keel.app.support.PageTest;
import keel.core.standing.MachineState;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** A machine that was bought used, of which nobody said anything. */
class NotKnownTest extends PageTest {

    @Autowired
    private Fleet fleet;

    @Autowired
    private PartHours hours;

    @Autowired
    private EveryPart parts;

    private String machine;

    @BeforeEach
    void aUsedMachine() {
        shop.people();
        shop.as("keeper");
        String like = shop.maskMachine();
        MachineEntry entry = new MachineEntry(
                "Used " + System.nanoTime(),
                shop.modelOf(like),
                shop.now(like).room(),
                "PAPER",
                false,
                false,
                shop.now(like).since(),
                0,
                "FEP",
                0.127,
                null,
                null,
                null,
                MachineEntry.Before.UNKNOWN);
        machine = fleet.addMachine(entry);
    }

    private List<NotKnown.About> open() {
        return shop.now(machine).notKnown().stream().map(NotKnown::about).toList();
    }

    @Test
    void allThatNobodySaidIsShownAsNotKnownAndIsNoEvidence() {
        assertThat(open())
                .containsExactlyInAnyOrder(
                        NotKnown.About.LEVELLED,
                        NotKnown.About.LUBRICATED,
                        NotKnown.About.ABRADED,
                        NotKnown.About.RESIN,
                        NotKnown.About.FILM,
                        NotKnown.About.SCREEN,
                        NotKnown.About.LIGHT);
        assertThat(shop.now(machine).standing().state())
                .as("not known is no reason to stop")
                .isEqualTo(MachineState.READY);
        assertThat(page("/machines/" + machine))
                .contains("Say what is not known")
                .contains("grease not known")
                .contains("when abraded is not known")
                .contains("at least ")
                .doesNotContain("abraded 0.0 h ago", "Nothing needs hands here");
        long id = shop.now(machine).id();
        assertThat(hours.since(id, ServiceKind.PLATE_WORK, Instant.now()))
                .as("nobody said is no fresh plate")
                .isNull();
        assertThat(hours.of(id, ComponentKind.SCREEN, Instant.now())).isEmpty();
        assertThat(parts.all("SCREEN"))
                .filteredOn(p -> machine.equals(p.machine()))
                .singleElement()
                .satisfies(p -> assertThat(p.known()).isFalse());
    }

    @Test
    void whatIsDoneOrSaidIsKnown() {
        shop.service(machine, "LUBRICATION", 1, "part", "SCREW");
        shop.service(machine, "LEVELLING", 2, "school", "PAPER");
        assertThat(open()).doesNotContain(NotKnown.About.LUBRICATED, NotKnown.About.LEVELLED);
        accepted(
                "/machines/" + machine + "/not-known", "abradedH", "120", "screenUvHours", "300,5", "vatEmpty", "true");
        assertThat(open()).containsExactlyInAnyOrder(NotKnown.About.FILM, NotKnown.About.LIGHT);
        assertThat(shop.now(machine).sinceAbraded().hours()).isEqualTo(120);
        assertThat(shop.now(machine).screen().usage().uvHours()).isEqualTo(300.5);
        assertThat(page("/machines/" + machine)).contains("empty");
        accepted("/machines/" + machine + "/not-known", "filmHours", "40", "lightHours", "900");
        assertThat(page("/machines/" + machine + "/not-known")).contains("All is known");
    }

    @Test
    void nonsenseIsRefusedAndAnOperatorSaysNothing() {
        String html =
                refused(422, "h", "/machines/" + machine + "/not-known", "lubricatedH", "-3", "filmHours", "many");
        assertThat(html).contains("value=\"many\"");
        assertThat(open()).hasSize(7);
        shop.as("operator");
        assertThat(page("/machines/" + machine + "/not-known")).contains("A keeper can say what is remembered");
        assertThat(form("/machines/" + machine + "/not-known", "filmHours", "40")
                        .status())
                .isEqualTo(403);
    }

    /** What is left empty at the set-up is not known; a new one has done nothing. */
    @Test
    void theSetUpAsks() {
        shop.as("keeper");
        String model = shop.modelOf(machine);
        String room = shop.now(machine).room();
        accepted(
                "/setup/machines",
                "name",
                "Fresh",
                "model",
                model,
                "room",
                room,
                "levellingSchool",
                "PAPER",
                "condition",
                "NEW",
                "filmMaterial",
                "FEP");
        assertThat(shop.now("fresh").notKnown()).extracting(NotKnown::about).containsExactly(NotKnown.About.LEVELLED);
        accepted(
                "/setup/machines",
                "name",
                "Worn",
                "model",
                model,
                "room",
                room,
                "levellingSchool",
                "PAPER",
                "condition",
                "USED",
                "filmMaterial",
                "FEP",
                "filmHours",
                "200");
        assertThat(shop.now("worn").notKnown())
                .extracting(NotKnown::about)
                .contains(NotKnown.About.SCREEN, NotKnown.About.ABRADED)
                .doesNotContain(NotKnown.About.FILM);
    }
}
