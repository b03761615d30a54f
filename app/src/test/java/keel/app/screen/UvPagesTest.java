package keel.app.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import keel.app.prints.Profiles;
import keel.app.support.PageTest;
import keel.core.light.UvMap;
import keel.core.profile.Setting;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** UV maps of a machine. */
class UvPagesTest extends PageTest {

    private static final String[] NINE = {"r0", "r1", "r2", "r5", "r6", "r7", "r10", "r11", "r12"};

    @Autowired
    private UvMaps maps;

    @Autowired
    private Profiles profiles;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
    }

    private String[] form(String light, String first) {
        List<String> fields = new ArrayList<>(List.of("grid", "NINE"));
        for (String name : NINE) {
            fields.addAll(List.of(name, name.equals("r0") ? first : light));
        }
        return fields.toArray(String[]::new);
    }

    @Test
    void aMapIsKeptAndJudged() {
        assertThat(page("/machines/" + machine + "/uv")).contains("No map yet.");
        accepted("/machines/" + machine + "/uv", form("3,0", "2.1"));
        String html = page("/machines/" + machine + "/uv");
        assertThat(html).contains("Uneven: the dimmest place gets 70 % of the brightest.");
        UvMap map = maps.of(shop.now(machine)).get(0).map();
        assertThat(map.least().xMm())
                .as("front left, in the middle of its field")
                .isCloseTo(24, within(1e-9));
        assertThat(map.least().yMm()).isCloseTo(13.5, within(1e-9));
        assertThat(page("/machines/" + machine + "/uv?grid=TWENTY_FIVE")).contains("name=\"r24\"");
    }

    @Test
    void tooFewReadingsOrNonsenseAreRefusedAndKept() {
        String html = refused(422, "A map takes 9 readings at least", "/machines/" + machine + "/uv", form("3.0", ""));
        assertThat(html).contains("value=\"3.0\"");
        refused(422, "This is no number: bright", "/machines/" + machine + "/uv", form("3.0", "bright"));
        refused(422, "A reading must be between", "/machines/" + machine + "/uv", form("3.0", "-1"));
        assertThat(maps.of(shop.now(machine))).isEmpty();
    }

    /** Half an hour of UV for each run: maps at 0, 0.5 and 1 UV h, each two per cent dimmer. */
    @Test
    void threeMapsTellHowItFadesAndAnExposureThatMakesUpForIt() {
        String resin = shop.resin("Grey");
        Map<Setting, Double> sheet = new EnumMap<>(Map.of(
                Setting.LAYER_MM,
                0.05,
                Setting.BOTTOM_LAYERS,
                5.0,
                Setting.BOTTOM_EXPOSURE_S,
                28.0,
                Setting.EXPOSURE_S,
                2.0,
                Setting.LIFT_MM,
                5.0,
                Setting.LIFT_MM_PER_MIN,
                100.0,
                Setting.RETRACT_MM_PER_MIN,
                150.0));
        accepted("/machines/" + machine + "/uv", form("3.30", "3.30"));
        profiles.begin(machine, resin, sheet, "MAKER");
        shop.run(machine, 1, 4);
        accepted("/machines/" + machine + "/uv", form("3.15", "3.15"));
        shop.run(machine, 10, 4);
        accepted("/machines/" + machine + "/uv", form("3.00", "3.00"));
        List<UvMaps.Kept> all = maps.of(shop.now(machine));
        assertThat(all).extracting(UvMaps.Kept::lightHours).containsExactly(1.0, 0.5, 0.0);
        assertThat(UvMaps.ageing(all).orElseThrow().perHour()).isCloseTo(Math.log(3.30 / 3.00), within(1e-3));
        String html = page("/machines/" + machine + "/uv");
        assertThat(html).contains("It fades by").contains("2.20 s").contains("its life in prints shrinks by 9 %");
        long newest = all.get(0).id();
        accepted("/machines/" + machine + "/uv/" + newest + "/withdraw");
        assertThat(maps.of(shop.now(machine))).hasSize(2);
        assertThat(form("/machines/" + shop.maskMachine() + "/uv/" + all.get(1).id() + "/withdraw")
                        .status())
                .as("a map of another machine")
                .isEqualTo(404);
    }

    @Test
    void aProjectorHasAMapTooAndAnotherLightEngineStartsAnew() {
        String projector = shop.machine(MachineKind.PROJECTOR, false);
        shop.as("keeper");
        for (int i = 0; i < 3; i++) {
            accepted("/machines/" + projector + "/uv", form("3.0", "3.0"));
        }
        shop.service(projector, "LIGHT_CHANGE", 5, "endReason", "DIM");
        accepted("/machines/" + projector + "/uv", form("4.0", "4.0"));
        assertThat(UvMaps.ageing(maps.of(shop.now(projector))))
                .as("one map of this engine")
                .isEmpty();
        assertThat(page("/machines/" + projector + "/uv"))
                .contains("on the bare")
                .contains("window");
    }
}
