package keel.sim.seen;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.run.Outcome;
import keel.sim.chance.Chance;
import keel.sim.print.Job;
import keel.sim.print.Print;
import keel.sim.print.PrintEnd;
import keel.sim.print.Sign;
import keel.sim.story.Saltmarsh;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import org.apache.commons.statistics.distribution.BinomialDistribution;
import org.junit.jupiter.api.Test;

/**
 * What people note and what checks show: both miss things as often as their figures say, and use the open format's
 * codes only.
 */
class SeenTest {

    private static final Parameters A = Parameters.shipped("shop-a");
    private static final Knowledge KNOWLEDGE = KnowledgeFiles.shipped();
    private static final Print.Circumstances MILD = new Print.Circumstances(22, 0, false, false, false, false);

    @Test
    void aClearSignIsNotedAsOftenAsTheFigureSaysAndSometimesTakenForAnother() {
        PrintEnd end = end(new Sign("tacky", 1), new Sign("part-missing", 1));
        Eyes eyes = new Eyes(A.eyes());
        Machine machine = machine();
        int missing = (int) IntStream.range(0, 3000)
                .filter(i -> {
                    List<String> seen = eyes.look(end, machine.cells(), 1, Chance.of(5).stream("look", i))
                            .symptoms();
                    return seen.contains("part-missing");
                })
                .count();
        double p = A.eyes().notesClearSign() * (1 - A.eyes().takesForAnother());
        BinomialDistribution counts = BinomialDistribution.of(3000, p);
        assertThat(missing)
                .isBetween(counts.inverseCumulativeProbability(0.0005), counts.inverseCumulativeProbability(0.9995));
    }

    @Test
    void somethingIsAlwaysWrittenDownAndNothingBothSeenAndAbsent() {
        Eyes eyes = new Eyes(A.eyes());
        for (int i = 0; i < 500; i++) {
            Eyes.Seen seen = eyes.look(
                    end(new Sign("bits-in-vat", 0.1)), machine().cells(), 0.9, Chance.of(6).stream("look", i));
            assertThat(seen.symptoms()).isNotEmpty();
            assertThat(seen.absent()).doesNotContainAnyElementsOf(seen.symptoms());
            assertThat(seen.symptoms())
                    .allSatisfy(s -> assertThat(KNOWLEDGE.symptom(s)).isPresent());
            assertThat(seen.absent())
                    .allSatisfy(s -> assertThat(KNOWLEDGE.symptom(s)).isPresent());
        }
    }

    /**
     * After a crush a screen can look whole: three times in ten; otherwise one in ten is overlooked (trade's figures,
     * common practice).
     */
    @Test
    void aScreenThatWasCrushedLooksWholeThreeTimesInTen() {
        Machine machine = machine();
        machine.screen().crush(100);
        assertFinds(
                0.7,
                "screen-test",
                new Checks.Scene(machine, job(), MILD, end(new Sign("crunch", 1)), false, true),
                "screen-dark-pixels");
        assertFinds(
                0.9,
                "screen-test",
                new Checks.Scene(machine, job(), MILD, end(new Sign("hole-through", 1)), false, false),
                "screen-dark-pixels");
    }

    @Test
    void checksFindWhatIsThereAndSeldomWhatIsNot() {
        Machine machine = machine();
        machine.vat().leaveBoltsLoose();
        assertFinds(0.97, "vat-bolts", scene(machine), "vat-bolts-loose");
        machine.vat().tightenBolts();
        assertFinds(0, "vat-bolts", scene(machine), "vat-bolts-loose");
        machine.vat().dropBits(0.5, new int[] {10});
        assertFinds(1 - Math.exp(-3), "feel-vat", scene(machine), "debris-on-film");
    }

    @Test
    void everyCheckOfTheOpenFormatAnswersWithCausesItKnows() {
        assertThat(Checks.ALL)
                .containsExactlyInAnyOrderElementsOf(
                        KNOWLEDGE.checks().stream().map(c -> c.code()).toList());
        Machine machine = machine();
        machine.vat().leaveBoltsLoose();
        machine.screen().crush(40);
        machine.vat().splash();
        machine.vat().contaminate("cast-amber");
        new Checks(A).all(scene(machine), Chance.of(8)).forEach((check, found) -> assertThat(found)
                .as(check)
                .allSatisfy(f -> assertThat(List.of("MACHINE", "JOB").contains(f)
                                || KNOWLEDGE.cause(f).isPresent())
                        .isTrue()));
    }

    @Test
    void theKnownGoodPieceTellsTheMachineFromTheJob() {
        Machine sound = machine();
        Checks checks = new Checks(A);
        long job = IntStream.range(0, 100)
                .filter(i -> checks.result("known-good", scene(sound), Chance.of(3).stream("k", i))
                        .equals(List.of("JOB")))
                .count();
        Machine broken = machine();
        broken.screen().connect(false);
        assertThat(job).isGreaterThan(90);
        assertThat(checks.result("known-good", scene(broken), Chance.of(3))).containsExactly("MACHINE");
    }

    private static void assertFinds(double p, String check, Checks.Scene scene, String cause) {
        Checks checks = new Checks(A);
        int found = (int) IntStream.range(0, 2000)
                .filter(i -> checks.result(check, scene, Chance.of(12).stream("check", i))
                        .contains(cause))
                .count();
        if (p == 0) {
            assertThat(found).isZero();
            return;
        }
        BinomialDistribution counts = BinomialDistribution.of(2000, p);
        assertThat(found)
                .as(check)
                .isBetween(counts.inverseCumulativeProbability(0.0005), counts.inverseCumulativeProbability(0.9995));
    }

    private static Checks.Scene scene(Machine machine) {
        return new Checks.Scene(machine, job(), MILD, end(new Sign("part-missing", 1)), false, false);
    }

    private static PrintEnd end(Sign... signs) {
        return new PrintEnd(
                Outcome.PARTIAL, 0.5, List.of("supports-weak"), List.of(signs), new int[] {12}, 0, 0.5, false);
    }

    private static Job job() {
        return new Job(
                "Hinge patterns",
                List.of(new Job.JobPart(40, 20, 30, 30)),
                800,
                0.3,
                1.1,
                0.1,
                null,
                null,
                false,
                false,
                false,
                false,
                false);
    }

    private static Machine machine() {
        Machine machine = new Machine(Saltmarsh.sites().get(0), A, Chance.of(2));
        machine.plate().level(true, false);
        machine.plate().abrade();
        machine.grease();
        machine.vat().pour("reed-grey", 280);
        return machine;
    }
}
