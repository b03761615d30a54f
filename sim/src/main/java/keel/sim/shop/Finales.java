package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import keel.core.placement.PlacedPart;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.core.wear.Usage;
import keel.sim.chance.Chance;
import keel.sim.print.Job;
import keel.sim.print.Print;
import keel.sim.print.PrintEnd;
import keel.sim.seen.Checks;
import keel.sim.seen.Eyes;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;

/** How a machine stands when the story ends. */
final class Finales {

    private static final Duration BEGAN = Duration.ofMinutes(130);
    private static final Duration FAILED = Duration.ofMinutes(55);
    private static final int AT_MOST = 60;

    private final Machine machine;
    private final Records records;
    private final Eyes eyes;
    private final Print print;
    private final Checks checks;
    private final Chance chance;

    Finales(Machine machine, Parameters parameters, Records records, Chance chance) {
        this.machine = machine;
        this.records = records;
        this.eyes = new Eyes(parameters.eyes());
        this.print = new Print(parameters);
        this.checks = new Checks(parameters);
        this.chance = chance;
    }

    void play(Plot.Finale finale, Instant end) {
        if (finale == Plot.Finale.RUNNING) {
            running(end.minus(BEGAN));
        } else if (finale == Plot.Finale.JUST_FAILED) {
            justFailed(end.minus(FAILED));
        }
    }

    private void running(Instant start) {
        String code = machine.site().code();
        records.add(new Happening.RunGoing(
                start,
                "operator",
                code,
                "Hinge patterns, set of eight",
                2180,
                machine.settings().get(Setting.EXPOSURE_S),
                168,
                IntStream.range(0, 8)
                        .mapToObj(i -> PlacedPart.atCorner(14 + i % 4 * 46, 12 + i / 4 * 48, 42, 42))
                        .toList()));
        records.add(new Happening.LookedIn(start.plus(Duration.ofMinutes(14)), "operator", code, "AS_IT_SHOULD"));
    }

    /** Bits of an earlier failure were left in the vat; a set of larvae comes down on them. */
    private void justFailed(Instant at) {
        machine.vat().dropBits(1, new int[] {
            machine.cells().count() / 3, machine.cells().count() / 3 + 1
        });
        machine.vat().tightenBolts();
        Job job = larvae();
        Print.Circumstances around = new Print.Circumstances(21, 0, false, false, false, false);
        PrintEnd result = null;
        for (int i = 0;
                i < AT_MOST
                        && (result == null
                                || result.outcome() != Outcome.PARTIAL
                                || !result.causes().contains("debris-on-film")
                                || result.lostShare() == 0);
                i++) {
            result = print.of(machine, job, around, chance.stream("fails", i));
        }
        String run = records.key();
        String code = machine.site().code();
        double exposure = machine.settings().get(Setting.EXPOSURE_S);
        records.add(new Happening.RunDone(
                at,
                "operator",
                code,
                run,
                job.name(),
                at.minus(Duration.ofMinutes(95)),
                job.layers(),
                exposure,
                18,
                "FAILED",
                610,
                job.footprint()));
        records.used(Usage.ofRun(95 / 60.0, 610, exposure, 18));
        Eyes.Seen seen = eyes.look(result, machine.cells(), 1, chance.stream("eyes"));
        String failure = records.key();
        records.add(new Happening.FailureSeen(
                at.plus(Duration.ofMinutes(6)),
                "operator",
                code,
                failure,
                run,
                seen.symptoms(),
                seen.absent(),
                seen.zones(),
                "Five of twelve on the plate, the rest in the vat."));
        records.add(new Truth(
                at.plus(Duration.ofMinutes(6)),
                code,
                run,
                failure,
                result.causes(),
                checks.all(new Checks.Scene(machine, job, around, result, false, false), chance.stream("checks")),
                21));
    }

    private Job larvae() {
        List<Job.JobPart> parts = IntStream.range(0, 12)
                .mapToObj(i -> new Job.JobPart(12 + i % 6 * 20, 14 + i / 6 * 26, 16, 16))
                .toList();
        return new Job(
                "Mayfly larva, twelve", parts, 1350, 0.18, 1.1, 0.1, null, null, false, false, false, false, false);
    }
}
