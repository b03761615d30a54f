package keel.app.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import keel.app.support.PageTest;
import keel.core.bolts.BoltFrame;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;

/** Setting up a shop by hand, as a browser sends it: boxes that are not ticked are not sent, empty fields are. */
class SetupPagesTest extends PageTest {

    @Autowired
    private Fleet fleet;

    private static String[] model(String name, String... changes) {
        List<String> fields = new ArrayList<>(List.of(
                "name",
                name,
                "kind",
                "MASK",
                "plateWidthMm",
                "144",
                "plateDepthMm",
                "81,5",
                "plateHeightMm",
                "175",
                "pixelsX",
                "5760",
                "pixelsY",
                "3240",
                "release",
                "PEEL",
                "levelJoint",
                "BALL",
                "fillLineMl",
                "",
                "windowLengthMm",
                "",
                "windowWidthMm",
                "",
                "clampRing",
                "",
                "clampLong",
                "",
                "clampShort",
                "",
                "frameLong",
                "",
                "frameShort",
                ""));
        for (int i = 0; i < changes.length; i += 2) {
            int at = fields.indexOf(changes[i]);
            if (at >= 0) {
                fields.set(at + 1, changes[i + 1]);
            } else {
                fields.addAll(List.of(changes[i], changes[i + 1]));
            }
        }
        return fields.toArray(String[]::new);
    }

    @Test
    void aModelIsAddedWithEveryBoxUntickedAndChangedWithSomeTicked() {
        accepted("/setup/models", model("Plain 144"));
        Fleet.ModelView plain = byName("Plain 144");
        assertThat(plain.entry().selfLevelling()).isFalse();
        assertThat(plain.entry().plateDepthMm()).isEqualTo(81.5);
        accepted(
                "/setup/models/" + plain.code(),
                model(
                        "Plain 144",
                        "selfLevelling",
                        "true",
                        "clampLong",
                        "9",
                        "clampShort",
                        "5",
                        "frameLong",
                        "4",
                        "frameShort",
                        "2"));
        Fleet.ModelView changed = byName("Plain 144");
        assertThat(changed.entry().selfLevelling()).isTrue();
        assertThat(changed.entry().wholeAreaLight()).isFalse();
        assertThat(changed.entry().frame().clamp()).isEqualTo(BoltFrame.rectangle(9, 5));
        assertThat(page("/setup/models/" + plain.code())).contains("value=\"81.5\"", "value=\"9\"");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "plateWidthMm|wide|This is no number: wide.",
                "plateWidthMm|0|must be between 10 and 2000 mm",
                "pixelsX|12.5|This is no whole number",
                "clampRing|25|the count must be even",
                "clampLong|9|Count the clamp screws along both sides",
                "frameShort|2|Count the frame bolts along both sides",
                "windowLengthMm|-4|must be between",
                "name||The name of the model is missing",
                "kind|STEAM|Choose how it lights a layer",
                "release|JUMP|Choose peel, tilt or slide"
            })
    void aModelThatCannotBeIsRefusedAndWhatWasTypedStays(String field, String value, String words) {
        String html = refused(422, words, "/setup/models", model("Odd", field, value == null ? "" : value));
        assertThat(html).contains("value=\"81,5\"");
        assertThat(fleet.models()).noneMatch(m -> m.entry().name().equals("Odd"));
    }

    @Test
    void aRoundAndARectangularClampAtOnceAreRefused() {
        refused(
                422,
                "either round or a rectangle",
                "/setup/models",
                model("Odd", "clampRing", "24", "clampLong", "9", "clampShort", "5"));
    }

    @Test
    void aMachineIsAddedWithWhatItHasDoneAndAppearsOnTheFleet() {
        String room = fleet.addRoom("Attic");
        accepted("/setup/models", model("Attic 144"));
        accepted("/setup/machines", machine("Snipe", byName("Attic 144").code(), room, "0"));
        assertThat(page("/fleet")).contains("Snipe");
        assertThat(shop.filmHours("snipe")).isEqualTo(212.5);
        assertThat(shop.now("snipe").total().hours()).isEqualTo(900);
        String html = refused(
                422,
                "This is no number: lots.",
                "/setup/machines",
                machine("Teal", byName("Attic 144").code(), room, "lots"));
        assertThat(html).contains("value=\"Teal\"", "value=\"lots\"");
        refused(422, "Choose a model.", "/setup/machines", machine("Teal", "no-such", room, "0"));
    }

    @Test
    void theSecondToChangeAMachineIsShownBothVersions() {
        String m = shop.maskMachine();
        Fleet.MachineView seen = view(m);
        accepted("/setup/machines/" + m, change(seen, "First"));
        String html = refused(409, "Recorded now", "/setup/machines/" + m, change(seen, "Second"));
        assertThat(html).contains("Yours, not written yet", "First", "Second");
        assertThat(view(m).name()).isEqualTo("First");
    }

    @Test
    void aRoomWithMachinesStaysAndAnEmptyOneGoesAndComesBack() {
        String m = shop.maskMachine();
        refused(409, "Move them first", "/setup/rooms/" + shop.now(m).room() + "/retire");
        String empty = fleet.addRoom("Cellar");
        accepted("/setup/rooms/" + empty + "/retire");
        assertThat(page("/setup")).contains("Cellar (no longer)");
        accepted("/setup/rooms/" + empty + "/retire");
        assertThat(page("/setup")).doesNotContain("Cellar (no longer)");
    }

    @Test
    void whatWasSetUpByMistakeGoesAndWhatIsNamedStays() {
        String m = shop.maskMachine();
        String used = shop.now(m).room();
        String model = view(m).model();
        refused(409, "Something on record names", "/setup/rooms/" + used + "/delete");
        refused(409, "Something on record names", "/setup/models/" + model + "/delete");
        assertThat(view(m).model()).isEqualTo(model);
        String room = fleet.addRoom("Slip of the pen");
        accepted("/setup/models", model("Slip of the pen"));
        assertThat(page("/setup")).contains("Delete: Slip of the pen");
        accepted("/setup/rooms/" + room + "/delete");
        accepted("/setup/models/slip-of-the-pen/delete");
        assertThat(fleet.rooms()).noneMatch(r -> r.code().equals(room));
        assertThat(fleet.models()).noneMatch(x -> x.code().equals("slip-of-the-pen"));
        assertThat(status("/setup/models/slip-of-the-pen")).isEqualTo(404);
        shop.as("operator");
        assertThat(form("/setup/rooms/" + used + "/delete").status()).isEqualTo(403);
    }

    @Test
    void aMachineThatLeavesIsGoneFromTheFleetButNotFromTheRecords() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        accepted("/setup/machines/" + m + "/retire", "retired", "true");
        assertThat(page("/fleet")).doesNotContain("id=\"m-" + m + "\"");
        assertThat(page("/machines/" + m)).contains("Latch pattern");
        accepted("/setup/machines/" + m + "/retire", "retired", "false");
        assertThat(page("/fleet")).contains("id=\"m-" + m + "\"");
    }

    @Test
    void figuresOfTheShopTakeTheirPlaceAtOnceAndNonsenseDoesNot() {
        String m = shop.maskMachine();
        shop.run(m, 1, 100);
        shop.service(m, "PLATE_CLEARED", 102);
        shop.service(m, "LUBRICATION", 103, "part", "SCREW");
        shop.as("owner");
        accepted("/setup/figures", "film.replaceAtHours", "90");
        assertThat(page("/machines/" + m)).contains("past its age: 100 of about 90 h");
        refused(422, "must be between", "/setup/figures", "film.replaceAtHours", "-5");
        accepted("/setup/figures", "film.replaceAtHours", "450");
        assertThat(page("/machines/" + m)).doesNotContain("past its age");
    }

    @Test
    void anOperatorMayLookButNotChange() {
        shop.as("operator");
        assertThat(page("/setup"))
                .contains("You can look; changes are for a keeper or the owner.")
                .doesNotContain("Add a model");
        assertThat(form("/setup/models", model("Operator's own")).status()).isEqualTo(403);
        assertThat(form("/setup/rooms", "name", "Own room").status()).isEqualTo(403);
    }

    private static String[] machine(String name, String model, String room, String lightHours) {
        return new String[] {
            "name",
            name,
            "model",
            model,
            "room",
            room,
            "levellingSchool",
            "PAPER",
            "since",
            "2025-02-01T08:00",
            "baselineHours",
            "900",
            "filmMaterial",
            "FEP",
            "filmThicknessMm",
            "0,127",
            "filmHours",
            "212.5",
            "screenUvHours",
            "",
            "lightHours",
            lightHours
        };
    }

    private static String[] change(Fleet.MachineView seen, String name) {
        return new String[] {
            "name", name, "room", seen.room(), "levellingSchool", "ON_FILM", "version", String.valueOf(seen.version())
        };
    }

    private Fleet.ModelView byName(String name) {
        return fleet.models().stream()
                .filter(m -> m.entry().name().equals(name))
                .findFirst()
                .orElseThrow();
    }

    private Fleet.MachineView view(String code) {
        return fleet.machines().stream()
                .filter(m -> m.code().equals(code))
                .findFirst()
                .orElseThrow();
    }
}
