package keel.sim.print;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.stream.IntStream;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.sim.chance.Chance;
import keel.sim.story.Saltmarsh;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import keel.sim.world.Site;
import org.junit.jupiter.api.Test;

/**
 * What is broken on purpose is what the simulator names as the cause, and a machine in order prints. Common practice,
 * no source.
 */
class PrintTest {

    private static final Parameters A = Parameters.shipped("shop-a");
    private static final Print.Circumstances MILD = new Print.Circumstances(22, 0, false, false, false, false);
    private static final Job JOB = new Job(
            "Latch keeper, pair",
            List.of(new Job.JobPart(20, 20, 34, 34), new Job.JobPart(80, 20, 34, 34)),
            900,
            0.34,
            1.1,
            0.1,
            null,
            null,
            false,
            false,
            false,
            false,
            false);

    @Test
    void aMachineInOrderPrints() {
        assertThat(causes(m -> {}, JOB, MILD))
                .satisfies(c -> assertThat(c.getOrDefault("GOOD", 0)).isGreaterThan(92));
    }

    @Test
    void whatIsBrokenIsWhatIsNamed() {
        assertNamed("vat-bolts-loose", m -> m.vat().leaveBoltsLoose(), JOB, MILD);
        assertNamed("print-left-on", m -> m.plate().leavePrintOn(true), JOB, MILD);
        assertNamed("debris-on-film", m -> m.vat().dropBits(1, m.cells().under(20, 20, 30, 30)), JOB, MILD);
        assertNamed("film-pierced", m -> m.vat().film().wear(1e6, m.cells().under(60, 40, 5, 5)), JOB, MILD);
        assertNamed("film-worn", m -> m.printed(0, 400, 300_000, m.cells().under(0, 0, 144, 81), 20), JOB, MILD);
        assertNamed("screen-blank", m -> m.screen().connect(false), JOB, MILD);
        assertNamed(
                "screen-dark-pixels",
                m -> IntStream.of(m.cells().under(25, 25, 20, 20)).forEach(m.screen()::crush),
                JOB,
                MILD);
        assertNamed("resin-mixed", m -> m.vat().contaminate("cast-amber"), JOB, MILD);
        assertNamed("resin-short", m -> m.vat().use(10_000), JOB, MILD);
        assertNamed("exposure-short", m -> m.set("reed-grey", Map.of(Setting.EXPOSURE_S, 1.1)), JOB, MILD);
        assertNamed("base-exposure-short", m -> m.set("reed-grey", Map.of(Setting.BOTTOM_EXPOSURE_S, 4.0)), JOB, MILD);
        assertNamed("base-exposure-long", m -> m.set("reed-grey", Map.of(Setting.BOTTOM_EXPOSURE_S, 80.0)), JOB, MILD);
        assertNamed("exposure-long", m -> m.set("reed-grey", Map.of(Setting.EXPOSURE_S, 4.6)), JOB, MILD);
        assertNamed("lift-fast", m -> m.set("reed-grey", Map.of(Setting.LIFT_MM_PER_MIN, 400.0)), JOB, MILD);
        assertNamed("smoothing-off", m -> m.set("reed-grey", Map.of(Setting.SMOOTHING, 0.0)), JOB, MILD);
    }

    @Test
    void aColdRoomABadFileAndASloppyFinishAreNamed() {
        assertNamed("resin-cold", m -> {}, JOB, new Print.Circumstances(9, 0, false, false, false, false));
        assertNamed("file-corrupt", m -> {}, JOB, new Print.Circumstances(22, 0, true, false, false, false));
        assertNamed("wash-short", m -> {}, JOB, new Print.Circumstances(22, 0, false, true, false, false));
        assertNamed("dried-short", m -> {}, JOB, new Print.Circumstances(22, 0, false, false, true, false));
        assertNamed("cure-long", m -> {}, JOB, new Print.Circumstances(22, 0, false, false, false, true));
    }

    @Test
    void whatIsWrongWithAJobIsNamed() {
        assertNamed("supports-weak", m -> {}, JOB.supported(0.4), MILD);
        assertNamed("no-drain", m -> {}, job(0, 1.5, 0.1, false), MILD);
        assertNamed("wall-thin", m -> {}, job(2, 0.6, 0.1, false), MILD);
        assertNamed("supports-too-close", m -> {}, job(null, null, 0.1, true), MILD);
        assertThat(causes(m -> {}, job(null, null, 1, false), MILD)).containsKey("flat-orientation");
    }

    /** A tilted plate fails where it stands off the film: high on the right loses the right part first. */
    @Test
    void aTiltedPlateLosesThePartsWhereItStandsOff() {
        int right = 0;
        int left = 0;
        for (int seed = 0; seed < 400; seed++) {
            Machine machine = machine(seed);
            machine.plate().level(false, true);
            if (machine.plate().tiltMm(machine.cells().under(110, 40, 2, 2)[0]) < 0.09) {
                continue;
            }
            PrintEnd end = print(machine, JOB, MILD, seed);
            if (end.causes().contains("plate-tilted") && end.lostShare() > 0) {
                double x = IntStream.of(end.cells())
                        .mapToDouble(machine.cells()::xMm)
                        .average()
                        .orElseThrow();
                right += x > 72 ? 1 : 0;
                left += x < 60 ? 1 : 0;
            }
        }
        assertThat(right).isGreaterThan(5).isGreaterThan(4 * left);
    }

    @Test
    void aFailureThatLosesEveryPartIsFailedOneThatLosesSomeIsPartial() {
        Machine machine = machine(3);
        machine.set("reed-grey", Map.of(Setting.BOTTOM_EXPOSURE_S, 1.0));
        PrintEnd all = print(machine, JOB, MILD, 1);
        assertThat(all.outcome()).isEqualTo(Outcome.FAILED);
        assertThat(all.lostShare()).isEqualTo(1);
        assertThat(all.signs()).extracting(Sign::symptom).contains("bare-plate");
        PrintEnd some = print(
                machine(4),
                new Job(JOB.name(), JOB.parts(), 900, 0.34, 1.1, 0.1, null, null, false, false, false, true, false),
                MILD,
                2);
        assertThat(some.outcome()).isEqualTo(Outcome.PARTIAL);
        assertThat(some.causes()).containsExactly("file-unchecked");
    }

    private static Job job(Integer drains, Double wallMm, double flat, boolean close) {
        return new Job(
                JOB.name(), JOB.parts(), 900, 0.34, 1.1, flat, drains, wallMm, close, false, false, false, false);
    }

    private static void assertNamed(String cause, Consumer<Machine> broken, Job job, Print.Circumstances around) {
        Map<String, Integer> causes = causes(broken, job, around);
        int others = causes.entrySet().stream()
                .filter(e -> !e.getKey().equals(cause) && !e.getKey().equals("GOOD"))
                .mapToInt(Map.Entry::getValue)
                .max()
                .orElse(0);
        assertThat(causes.getOrDefault(cause, 0))
                .as("%s among %s", cause, causes)
                .isGreaterThan(10)
                .isGreaterThan(2 * others);
    }

    /** A hundred machines broken in the same way: how often each cause was the first. */
    private static Map<String, Integer> causes(Consumer<Machine> broken, Job job, Print.Circumstances around) {
        Map<String, Integer> causes = new HashMap<>();
        for (int seed = 0; seed < 100; seed++) {
            Machine machine = machine(seed);
            broken.accept(machine);
            PrintEnd end = print(machine, job, around, seed);
            causes.merge(
                    end.outcome() == Outcome.GOOD && end.causes().isEmpty()
                            ? "GOOD"
                            : end.causes().get(0),
                    1,
                    Integer::sum);
        }
        return causes;
    }

    private static PrintEnd print(Machine machine, Job job, Print.Circumstances around, int seed) {
        return new Print(A).of(machine, job, around, Chance.of(99).stream("print", seed));
    }

    /** Avocet as if new, filled and stirred. */
    private static Machine machine(int seed) {
        Site avocet = Saltmarsh.sites().get(0);
        Site fresh = new Site(
                avocet.code(),
                avocet.kind(),
                avocet.widthMm(),
                avocet.depthMm(),
                avocet.heightMm(),
                false,
                false,
                avocet.room(),
                avocet.school(),
                false,
                avocet.resin(),
                280,
                1,
                new Site.Before(0, 0, 0),
                avocet.sheets());
        Machine machine = new Machine(fresh, A, Chance.of(41).stream("machine", seed));
        machine.plate().level(true, false);
        machine.plate().abrade();
        machine.grease();
        machine.vat().pour("reed-grey", 280);
        machine.vat().stir();
        return machine;
    }
}
