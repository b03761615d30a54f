package keel.app.screen;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.failures.CaseChecks;
import keel.app.failures.CheckView;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.prints.Profiles;
import keel.app.stores.Resins;
import keel.app.support.PageTest;
import keel.core.profile.Setting;
import keel.core.screen.DryRun;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Dry runs beside the profile, and what they tell of a failure. */
class DryRunsTest extends PageTest {

    @Autowired
    private DryRuns dryRuns;

    @Autowired
    private Bench bench;

    @Autowired
    private CaseChecks caseChecks;

    @Autowired
    private Profiles profiles;

    @Autowired
    private Resins resins;

    @Autowired
    private Parts parts;

    @Autowired
    private Fleet fleet;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        String resin = shop.resin("Grey");
        shop.as("keeper");
        resins.pour(
                parts.vatOn(fleet.machine(machine).id()).code(),
                resin,
                100.0,
                Instant.now().minus(Duration.ofHours(3)));
        profiles.begin(
                machine,
                resin,
                new EnumMap<>(Map.of(
                        Setting.LAYER_MM,
                        0.05,
                        Setting.BOTTOM_LAYERS,
                        5.0,
                        Setting.BOTTOM_EXPOSURE_S,
                        28.0,
                        Setting.EXPOSURE_S,
                        2.0,
                        Setting.WAIT_BEFORE_S,
                        0.5,
                        Setting.LIFT_MM,
                        5.0,
                        Setting.LIFT_MM_PER_MIN,
                        100.0,
                        Setting.RETRACT_MM_PER_MIN,
                        150.0)),
                "MAKER");
    }

    private long record(Object... fields) {
        Map<String, Object> values = new LinkedHashMap<>();
        for (int i = 0; i < fields.length; i += 2) {
            values.put((String) fields[i], fields[i + 1]);
        }
        return bench.record(new ServiceEntry(machine, "DRY_RUN", null, null, values))
                .id();
    }

    /** 5 mm at 100 mm/min are 3.0 s, back at 150 mm/min 2.0 s. */
    @Test
    void whatWasTimedIsHeldAgainstTheProfile() {
        record(
                "seen",
                "AS_FILE",
                "file",
                "Latch",
                "liftS",
                List.of(3.05, 2.9, 3.1),
                "retractS",
                "1,3 1,4 1,2",
                "waitBeforeS",
                0.5);
        DryRuns.DryRunView run = dryRuns.of(fleet.machine(machine).id()).get(0);
        assertThat(run.profile()).isEqualTo(1);
        assertThat(run.differences())
                .extracting(DryRun.Difference::kind)
                .containsExactly(
                        DryRun.ReadingKind.LIFT_S, DryRun.ReadingKind.RETRACT_S, DryRun.ReadingKind.WAIT_BEFORE_S);
        assertThat(run.differences()).extracting(DryRun.Difference::significant).containsExactly(false, true, false);
        assertThat(run.words()).containsExactly("Time to come back: 1.3 ± 0.2 s, the profile says 2.0.");
        assertThat(page("/machines/" + machine + "/screen"))
                .contains("Time to come back: 1.3")
                .contains("Each layer as in the file");
        assertThat(dryRuns.expected(machine, Instant.now()).get("liftS")).isEqualTo("profile 1: 3.0 s");
    }

    @Test
    void withTheLiftNearZeroTheLiftSaysNothing() {
        record("seen", "AS_FILE", "scope", "SCREEN_ONLY", "liftS", 0.2, "exposureS", 2.05);
        assertThat(dryRuns.of(fleet.machine(machine).id()).get(0).differences())
                .extracting(DryRun.Difference::kind)
                .containsExactly(DryRun.ReadingKind.EXPOSURE_S);
    }

    @Test
    void itAnswersTheCheckOfAFailureAndIsTakenBackWithIt() {
        long failure = shop.failure(machine, 1, "layer-shift").id();
        long id = record("seen", "TORN", "layer", 212, "liftS", 1.5, "failure", failure);
        assertThat(caseChecks.checks(failure)).singleElement().satisfies(c -> {
            assertThat(c.check()).isEqualTo("dry-run");
            assertThat(c.found()).containsExactlyInAnyOrder("data-glitch", "lift-fast");
        });
        assertThat(page("/machines/" + machine + "/screen"))
                .contains("from layer 212")
                .contains("failure " + failure);
        bench.withdraw(id, "other machine");
        assertThat(caseChecks.checks(failure)).isEmpty();
        record("seen", "AS_FILE", "failure", Long.toString(failure));
        assertThat(caseChecks.checks(failure)).extracting(CheckView::found).containsExactly(List.of());
    }

    @Test
    void aFailureOfAnotherMachineOrNoneIsRefusedAndNothingIsWritten() {
        long elsewhere = shop.failure(shop.maskMachine(), 1, "tacky").id();
        shop.as("keeper");
        assertThatThrownBy(() -> record("seen", "TORN", "failure", elsewhere))
                .isInstanceOf(Refused.class)
                .hasMessageContaining("another machine");
        assertThatThrownBy(() -> record("seen", "TORN", "failure", "twelve")).isInstanceOf(Refused.class);
        assertThatThrownBy(() -> record("seen", "TORN", "failure", 99_999_999)).isInstanceOf(Refused.class);
        refused(
                422,
                "Time to lift is not a number: fast",
                "/machines/" + machine + "/services/DRY_RUN",
                "seen",
                "AS_FILE",
                "liftS",
                "3.1 fast",
                "at",
                "");
        refused(
                422,
                "Time to lift must be between",
                "/machines/" + machine + "/services/DRY_RUN",
                "seen",
                "AS_FILE",
                "liftS",
                "3.1 -2",
                "at",
                "");
        assertThat(dryRuns.of(fleet.machine(machine).id())).isEmpty();
    }

    /** By the guide: the machine of this test senses no resin, so the step about its sensors is left out. */
    @Test
    void theGuideLeadsThroughItByWhatTheMachineCan() {
        String guide = accepted("/machines/" + machine + "/guides/dry-run");
        step(guide, "file", "Latch pattern", "medium", "SAME");
        step(guide);
        step(guide);
        step(guide, "scope", "AS_PRINTED");
        assertThat(page(guide)).contains(">Start<").doesNotContain("tell it twice");
        step(guide);
        assertThat(page(guide)).contains("profile 1: 3.0 s").contains("data-stopwatch");
        step(guide, "liftS", "3.0 3.1");
        step(guide, "seen", "AS_FILE");
        accepted(guide + "/finish", "version", version(guide));
        DryRuns.DryRunView run = dryRuns.of(fleet.machine(machine).id()).get(0);
        assertThat(run.file()).isEqualTo("Latch pattern");
        assertThat(run.differences()).singleElement().satisfies(d -> assertThat(d.measured())
                .isEqualTo(3.05));
        assertThat(status("/machines/" + shop.machine(MachineKind.LASER_TANK, false) + "/guides/dry-run"))
                .as("a laser shows no picture")
                .isEqualTo(404);
    }

    private void step(String guide, String... fields) {
        String[] all = new String[fields.length + 2];
        all[0] = "version";
        all[1] = version(guide);
        System.arraycopy(fields, 0, all, 2, fields.length);
        accepted(guide + "/done", all);
    }

    private String version(String guide) {
        String html = page(guide);
        int at = html.indexOf("name=\"version\" value=\"") + 22;
        return html.substring(at, html.indexOf('"', at));
    }
}
