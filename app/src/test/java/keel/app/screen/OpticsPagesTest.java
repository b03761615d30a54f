package keel.app.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import keel.app.air.Air;
import keel.app.base.Conflict;
import keel.app.bench.Bench;
import keel.app.fleet.ComponentKind;
import keel.app.fleet.PartModels;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Screens and lights from the shelf to their end. */
class OpticsPagesTest extends PageTest {

    private static final AtomicInteger NUMBER = new AtomicInteger(100);

    @Autowired
    private PartModels models;

    @Autowired
    private Optics optics;

    @Autowired
    private Bench bench;

    @Autowired
    private Air air;

    @Autowired
    private JdbcClient jdbc;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
    }

    private String model(String fits, int pixelsX) {
        return models.add(new PartModels.Entry(
                ComponentKind.SCREEN,
                "Pane " + NUMBER.incrementAndGet(),
                "B",
                null,
                pixelsX,
                3240,
                144.0,
                81.0,
                78.0,
                List.of(fits)));
    }

    private String spare(String model, String serial) {
        String to = accepted(
                "/bench/screens/spares",
                "partModel",
                model,
                "serial",
                serial,
                "batch",
                "2603",
                "boughtOn",
                "2025-01-01",
                "warrantyUntil",
                "2025-07-01",
                "price",
                "");
        return to.substring(to.lastIndexOf('/') + 1);
    }

    @Test
    void aSpareIsFittedByItsSerialNumberAndItsHoursGoWithIt() {
        String code = spare(model(shop.modelOf(machine), 5760), "SN-" + machine);
        assertThat(page("/bench/screens"))
                .contains(code)
                .contains("1 spare on the shelf")
                .contains("warranty over");
        assertThat(page("/machines/" + machine + "/services/SCREEN_CHANGE")).contains("value=\"" + code + "\"");
        String old = shop.now(machine).screen().code();
        shop.service(machine, "SCREEN_CHANGE", 10, "endReason", "DARK_PIXELS", "spare", "sn-" + machine);
        assertThat(shop.now(machine).screen().code()).isEqualTo(code);
        shop.run(machine, 20, 4);
        Optics.OpticalPart fitted = optics.one(code);
        assertThat(fitted.uvHours()).isCloseTo(0.5, within(1e-9));
        assertThat(fitted.machine()).isEqualTo(machine);
        assertThat(fitted.price()).as("that of its model").isEqualTo(78);
        assertThat(optics.one(old).endReason()).isEqualTo("DARK_PIXELS");
        assertThat(page("/bench/screens/" + code))
                .contains("on Bird")
                .contains("2603")
                .contains("5760 × 3240");
    }

    @Test
    void anotherModelAnotherResolutionOrOneThatIsInElsewhereIsRefused() {
        String other = spare(model(shop.modelOf(shop.maskMachine()), 5760), "X-" + machine);
        assertThatThrownBy(() -> shop.service(machine, "SCREEN_CHANGE", 10, "endReason", "PATCH", "spare", other))
                .isInstanceOf(Conflict.class)
                .hasMessageContaining("it is not for a Model");
        String coarse = spare(model(shop.modelOf(machine), 3840), "C-" + machine);
        assertThatThrownBy(() -> shop.service(machine, "SCREEN_CHANGE", 10, "endReason", "PATCH", "spare", coarse))
                .hasMessageContaining("3840 × 3240 pixels");
        String second = shop.machineOf(shop.modelOf(machine));
        shop.as("keeper");
        assertThatThrownBy(() -> shop.service(
                        machine,
                        "SCREEN_CHANGE",
                        10,
                        "endReason",
                        "PATCH",
                        "spare",
                        shop.now(second).screen().code()))
                .hasMessageContaining("is on a machine");
        refused(
                422,
                "neither by its code nor by its serial number",
                "/machines/" + machine + "/services/SCREEN_CHANGE",
                "endReason",
                "PATCH",
                "spare",
                "nothing such",
                "at",
                "");
        assertThat(shop.now(machine).screen().endedAt())
                .as("nothing was changed")
                .isNull();
    }

    @Test
    void takenBackTheSpareLiesOnTheShelfAgain() {
        String code = spare(model(shop.modelOf(machine), 5760), "B-" + machine);
        String old = shop.now(machine).screen().code();
        long id = shop.service(machine, "SCREEN_CHANGE", 10, "endReason", "PATCH", "spare", code)
                .id();
        assertThat(optics.one(old).endedUnderWarranty())
                .as("its warranty is not known")
                .isFalse();
        bench.withdraw(id, "wrong machine");
        assertThat(optics.one(code).onShelf()).isTrue();
        assertThat(shop.now(machine).screen().code()).isEqualTo(old);
    }

    @Test
    void whereItComesFromIsPutRightAndAnEndUnderWarrantyIsSaid() {
        String code = shop.now(machine).screen().code();
        accepted(
                "/bench/screens/" + code + "/origin",
                "partModel",
                "",
                "serial",
                "W-" + machine,
                "batch",
                "",
                "boughtOn",
                "2024-12-01",
                "warrantyUntil",
                LocalDate.now().plusDays(40).toString(),
                "price",
                "80,5");
        assertThat(optics.one(code).price()).isEqualTo(80.5);
        accepted("/bench/parts/" + code + "/condemn", "endReason", "LIT_PIXELS");
        assertThat(page("/bench/screens?q=W-" + machine)).contains("under warranty");
        String wet = shop.now(shop.maskMachine()).screen().code();
        shop.as("keeper");
        accepted(
                "/bench/screens/" + wet + "/origin",
                "serial",
                "",
                "warrantyUntil",
                LocalDate.now().plusDays(40).toString());
        accepted("/bench/parts/" + wet + "/condemn", "endReason", "RESIN");
        assertThat(optics.one(wet).endedUnderWarranty())
                .as("no maker answers for resin")
                .isFalse();
        assertThat(page("/bench/screens/" + code)).contains("Under warranty: ask for another.");
        String html = refused(
                422,
                "The warranty ends before it was bought.",
                "/bench/screens/" + code + "/origin",
                "serial",
                "kept as typed",
                "boughtOn",
                "2025-03-01",
                "warrantyUntil",
                "2025-02-01");
        assertThat(html).contains("kept as typed");
        refused(422, "This is no day", "/bench/screens/" + code + "/origin", "boughtOn", "yesterday");
        String twin = shop.now(shop.maskMachine()).screen().code();
        shop.as("keeper");
        refused(422, "is on record", "/bench/screens/" + twin + "/origin", "serial", "w-" + machine);
    }

    @Test
    void aModelSaysWhatItFits() {
        String html = refused(
                422,
                "Say which machines it fits",
                "/bench/screens/models",
                "kind",
                "SCREEN",
                "name",
                "Pane of nothing",
                "pixelsX",
                "5760",
                "pixelsY",
                "3240",
                "widthMm",
                "144",
                "depthMm",
                "81");
        assertThat(html).contains("Pane of nothing");
        refused(
                422,
                "Pixels from left to right must be between",
                "/bench/screens/models",
                "kind",
                "SCREEN",
                "name",
                "Coarse",
                "pixelsX",
                "12",
                "pixelsY",
                "3240",
                "widthMm",
                "144",
                "depthMm",
                "81",
                "fits",
                shop.modelOf(machine));
        accepted(
                "/bench/screens/models",
                "kind",
                "LIGHT",
                "name",
                "Glow " + machine,
                "source",
                "LED",
                "fits",
                shop.modelOf(machine));
        assertThat(page("/bench/screens")).contains("Glow " + machine).contains("led light");
        String code = models.all().stream()
                .filter(m -> m.name().equals("Glow " + machine))
                .findFirst()
                .orElseThrow()
                .code();
        accepted("/bench/screens/models/" + code + "/retire", "retired", "true");
        assertThat(models.called(code).retired()).isTrue();
        shop.as("operator");
        assertThat(form("/bench/screens/models", "kind", "LIGHT", "name", "Not mine", "fits", shop.modelOf(machine))
                        .status())
                .isEqualTo(403);
    }

    @Test
    void aLightEngineIsChangedLikeAScreen() {
        String projector = shop.machine(MachineKind.PROJECTOR, false);
        String model = models.add(new PartModels.Entry(
                ComponentKind.LIGHT,
                "Lamp " + projector,
                "2",
                "LAMP",
                null,
                null,
                null,
                null,
                260.0,
                List.of(shop.modelOf(projector))));
        String code = spare(model, "L-" + projector);
        String old = shop.now(projector).light().code();
        shop.service(projector, "LIGHT_CHANGE", 5, "endReason", "DIM", "spare", code);
        assertThat(shop.now(projector).light().code()).isEqualTo(code);
        assertThat(optics.one(old).endReason()).isEqualTo("DIM");
        assertThat(page("/bench/screens")).contains(code + " · ").contains("projector: no screen to wear");
        String laser = shop.machine(MachineKind.LASER_TANK, false);
        assertThat(page("/bench/screens")).contains("window never looked at");
        shop.service(laser, "WINDOW_INSPECTED", 5, "clean", true, "wiped", true);
        assertThat(page("/machines/" + laser)).contains("optical window spotless, wiped");
        assertThatThrownBy(() -> shop.service(machine, "WINDOW_INSPECTED", 5, "clean", true))
                .hasMessageContaining("does not apply");
    }

    /** Two runs of half a UV hour, one with the room at 24 °C, one at 33: 28.5 on average, half an hour of it warm. */
    @Test
    void heatIsThatOfTheRoomWhileItLit() {
        String room = shop.now(machine).room();
        warm(room, 24, 0.5);
        shop.run(machine, 1, 4);
        warm(room, 33, 9.5);
        shop.run(machine, 10, 4);
        Optics.Heat heat = optics.heat().get(shop.now(machine).screen().id());
        assertThat(heat.meanC()).isCloseTo(28.5, within(1e-9));
        assertThat(heat.warmUvHours()).isCloseTo(0.5, within(1e-9));
        assertThat(heat.knownUvHours()).isCloseTo(1, within(1e-9));
        assertThat(page("/bench/screens/" + shop.now(machine).screen().code()))
                .contains("28.5 °C in the room on average");
    }

    private void warm(String room, double c, double hour) {
        air.read(room, c, 50.0);
        jdbc.sql("update room_reading set at = ? where id = (select max(id) from room_reading)")
                .param(TestShop.at(hour).atOffset(ZoneOffset.UTC))
                .update();
    }

    @Test
    void allOfThemCanBeTakenAlong() {
        String code = spare(model(shop.modelOf(machine), 5760), "=1+1 " + machine);
        String csv = new String(file("/bench/screens.csv?q=" + machine).getContentAsByteArray());
        assertThat(csv.lines().toList().get(0)).startsWith("part,kind,model,serial,batch,fits");
        assertThat(csv).contains(code + ",SCREEN").contains("'=1+1");
        assertThat(page("/bench/screens?q=nosuch")).contains("Nothing matches nosuch.");
        assertThat(status("/bench/screens/S99999")).isEqualTo(404);
    }
}
