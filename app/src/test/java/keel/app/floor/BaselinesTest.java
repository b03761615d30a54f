package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import keel.app.standing.MachineNow;
import keel.app.support.PageTest;
import keel.core.standing.Baseline;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Machines are asked for what later judgement is held against, those that lack it, while they stand. */
class BaselinesTest extends PageTest {

    @Autowired
    private Baselines baselines;

    private Baselines.Line line(String m) {
        return baselines.of(List.of(shop.now(m))).get(0);
    }

    private boolean asked(String m) {
        return baselines.lacking(List.of(shop.now(m))).isPresent();
    }

    @Test
    void whatItCannotHaveIsNotAskedFor() {
        Baselines.Line laser = line(shop.machine(MachineKind.LASER_TANK, false));
        assertThat(laser.taken()).containsOnlyKeys(Baseline.STANCE, Baseline.SCALE);
        assertThat(line(shop.maskMachine()).taken()).containsOnlyKeys(Baseline.values());
    }

    @Test
    void aStanceCountsUntilItIsMoved() {
        String m = shop.maskMachine();
        assertThat(line(m).at(Baseline.STANCE)).isNull();
        shop.service(m, "STANCE_CHECKED", 2);
        assertThat(line(m).at(Baseline.STANCE)).isNotNull();
        assertThat(page("/bench/baselines"))
                .contains("Take that it stands", shop.now(m).name());
        shop.service(m, "MOVED", 4, "room", shop.now(m).room());
        assertThat(line(m).at(Baseline.STANCE))
                .as("where it stands now nobody looked")
                .isNull();
        shop.service(m, "STANCE_CHECKED", 5);
        assertThat(line(m).at(Baseline.STANCE)).isNotNull();
    }

    @Test
    void aDryRunStaysAndATakenBackOneDoesNot() {
        String m = shop.maskMachine();
        shop.service(m, "DRY_RUN", 3, "seen", "AS_FILE", "scope", "SCREEN_ONLY");
        assertThat(line(m).at(Baseline.TIMING)).as("nothing was timed").isNull();
        long run = shop.service(m, "DRY_RUN", 4, "seen", "AS_FILE", "scope", "AS_PRINTED", "liftS", "3.1 3.2")
                .id();
        assertThat(line(m).at(Baseline.TIMING)).isNotNull();
        accepted("/services/" + run + "/withdraw", "reason", "the other machine", "back", m);
        assertThat(line(m).at(Baseline.TIMING)).isNull();
    }

    @Test
    void whoCannotMeasureSaysSoOnceAndMayAskAgain() {
        String m = shop.maskMachine();
        assertThat(asked(m)).isTrue();
        for (Baseline b : Baseline.values()) {
            accepted("/bench/baselines/" + b, "waived", "true");
            accepted("/bench/baselines/" + b, "waived", "true");
        }
        assertThat(asked(m)).as("nothing is asked for here").isFalse();
        assertThat(page("/bench/baselines")).contains("not here").doesNotContain("Take it");
        accepted("/bench/baselines/TONE", "waived", "false");
        assertThat(asked(m)).isTrue();
        accepted("/bench/baselines/TONE", "waived", "true");
        assertThat(form("/bench/baselines/WEIGHT", "waived", "true").status()).isEqualTo(404);
        for (Baseline b : Baseline.values()) {
            accepted("/bench/baselines/" + b, "waived", "false");
        }
    }

    @Test
    void aMachineThatPrintsIsLeftAlone() {
        String m = shop.maskMachine();
        MachineNow now = shop.now(m);
        assertThat(baselines.lacking(List.of(now)).orElseThrow())
                .isEqualTo(now.name() + " stands still: without them nobody can say later what has changed.");
        shop.run(m, 1, 4);
        assertThat(asked(m)).as("held: the plate is not clear").isFalse();
    }
}
