package keel.sim.seen;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.sim.chance.Chance;
import keel.sim.print.Job;
import keel.sim.print.Print;
import keel.sim.print.PrintEnd;
import keel.sim.world.Film;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import keel.sim.world.Screen;

/**
 * What each check at the bench shows of a machine as it is just after a print: gauges have noise, eyes miss things, and
 * a screen that was crushed can look whole.
 */
public final class Checks {

    public static final List<String> ALL = List.of(
            "look-under-vat",
            "feel-vat",
            "rock-test",
            "level-check",
            "straight-edge",
            "plate-bolts",
            "plate-zero",
            "plate-look",
            "leak-check",
            "light-test",
            "vat-bolts",
            "tap-film",
            "compare-film",
            "screen-test",
            "uv-map",
            "dry-run",
            "page-file",
            "other-medium",
            "resin-temp",
            "resin-level",
            "stir-look",
            "compare-profile",
            "axis-piece",
            "known-good",
            "move-job",
            "turn-z-by-hand",
            "measure-cube",
            "wash-log");

    private static final double PAPER_SD_MM = 0.025;
    private static final double TILT_THAT_SHOWS_MM = 0.2;

    private final Print print;

    public Checks(Parameters parameters) {
        this.print = new Print(parameters);
    }

    /**
     * The print that failed and the machine it failed on.
     *
     * @param around how it was printed
     * @param hunch whether it was stopped by hand
     * @param oldPrint whether the last print had been left on the plate
     */
    public record Scene(
            Machine machine, Job job, Print.Circumstances around, PrintEnd end, boolean hunch, boolean oldPrint) {}

    /** Causes that the check found; for {@code known-good} and {@code move-job} one of MACHINE and JOB. */
    public List<String> result(String check, Scene scene, Chance chance) {
        List<String> found = new ArrayList<>();
        Machine machine = scene.machine();
        switch (check) {
            case "look-under-vat" -> underVat(machine, chance, found);
            case "feel-vat" ->
                add(
                        found,
                        "debris-on-film",
                        machine.vat().bits() > 0
                                && chance.happens(
                                        1 - Math.exp(-6 * machine.vat().bits())));
            case "rock-test" -> add(found, "machine-rocks", machine.rockingMm() + chance.normal(0, 0.05) > 0.17);
            case "level-check" ->
                add(
                        found,
                        "plate-tilted",
                        machine.plate().riseMm() + chance.normal(0, 2 * PAPER_SD_MM) > TILT_THAT_SHOWS_MM);
            case "straight-edge" -> {
                add(
                        found,
                        "plate-smooth",
                        machine.plate().grip() + chance.normal(0, 0.08) < 0.72
                                || machine.plate().hollowMm() > 0.1);
                add(found, "plate-burr", machine.plate().burr() && chance.happens(0.88));
            }
            case "plate-bolts" ->
                add(found, "plate-bolts-loose", machine.plate().boltsLoose() && chance.happens(0.95));
            case "plate-zero" ->
                add(
                        found,
                        "plate-height-wrong",
                        Math.abs(machine.plate().heightMm() + chance.normal(0, PAPER_SD_MM)) > 0.075);
            case "plate-look" -> {
                add(found, "print-left-on", scene.oldPrint() && chance.happens(0.9));
                add(found, "stopped-early", scene.hunch() && chance.happens(0.97));
            }
            case "leak-check" -> {
                add(found, "film-pierced", machine.vat().film().pierced() && chance.happens(0.95));
                add(
                        found,
                        "spill",
                        !machine.vat().film().pierced() && machine.vat().wetOutside() && chance.happens(0.9));
            }
            case "light-test" -> {
                add(found, "light-dead", machine.light().dead());
                add(
                        found,
                        "screen-blank",
                        machine.screen() != null && !machine.screen().connected());
            }
            case "vat-bolts" -> add(found, "vat-bolts-loose", machine.vat().boltsLoose() && chance.happens(0.97));
            case "tap-film" ->
                add(found, "film-slack", machine.vat().film().tightness() * chance.logNormal(1, 0.07) < 0.78);
            case "compare-film" ->
                add(found, "film-worn", lightLost(machine.vat().film()) + chance.normal(0, 0.02) > 0.1);
            case "screen-test" -> screen(machine.screen(), scene, chance, found);
            case "uv-map" -> add(found, "light-weak", lowestPower(machine) + chance.normal(0, 0.025) < 0.8);
            case "dry-run" -> {
                add(
                        found,
                        "data-glitch",
                        machine.quirks().glitchesOnGreys() && scene.job().greyHeavy() && chance.happens(0.8));
                add(
                        found,
                        "file-corrupt",
                        scene.around().fileReadBadly() && !machine.stickWorn() && chance.happens(0.9));
            }
            case "page-file" -> file(scene.job(), chance, found);
            case "other-medium" -> {
                add(found, "medium-bad", scene.around().fileReadBadly() && machine.stickWorn() && chance.happens(0.85));
                add(
                        found,
                        "file-corrupt",
                        scene.around().fileReadBadly() && !machine.stickWorn() && chance.happens(0.8));
            }
            case "resin-temp" -> {
                add(found, "resin-cold", scene.around().resinC() + chance.normal(0, 0.5) < 18);
                add(found, "room-unsteady", scene.around().swingKPerHour() > 1.1 && chance.happens(0.6));
            }
            case "resin-level" ->
                add(
                        found,
                        "resin-short",
                        scene.end().causes().contains("resin-short") && chance.happens(0.95)
                                || machine.vat().ml() < 25 && chance.happens(0.9));
            case "stir-look" -> {
                add(found, "resin-settled", machine.vat().daysSinceStirred() > 6 && chance.happens(0.75));
                add(found, "resin-mixed", machine.vat().mixedWith() != null && chance.happens(0.6));
                add(
                        found,
                        "debris-on-film",
                        machine.vat().bits() > 0
                                && chance.happens(
                                        1 - Math.exp(-4 * machine.vat().bits())));
            }
            case "compare-profile" -> profile(machine, chance, found);
            case "axis-piece" -> {
                add(found, "smoothing-one-axis", machine.quirks().smoothsOneAxisOnly() && chance.happens(0.92));
                add(
                        found,
                        "data-glitch",
                        machine.quirks().glitchesOnGreys() && scene.job().greyHeavy() && chance.happens(0.4));
            }
            case "known-good" ->
                found.add(
                        again(
                                        scene,
                                        Job.knownGood(
                                                machine.site().widthMm(),
                                                machine.site().depthMm()),
                                        chance)
                                ? "JOB"
                                : "MACHINE");
            case "move-job" -> found.add(again(scene, elsewhere(machine, scene.job()), chance) ? "MACHINE" : "JOB");
            case "turn-z-by-hand" -> add(found, "z-dry", machine.drynessOfZ() + chance.normal(0, 0.12) > 1);
            case "measure-cube" -> {
                add(
                        found,
                        "scale-uncorrected",
                        !machine.scaleChecked()
                                && Math.abs(machine.quirks().definitionScale() - 1 + chance.normal(0, 0.001)) > 0.006);
                add(
                        found,
                        "exposure-long",
                        machine.moved(Setting.EXPOSURE_S) && exposure(machine) > 1.25 && chance.happens(0.7));
            }
            case "wash-log" -> {
                add(found, "wash-short", scene.around().washedShort() && chance.happens(0.9));
                add(found, "dried-short", scene.around().driedShort() && chance.happens(0.9));
                add(found, "cure-long", scene.around().curedLong() && chance.happens(0.9));
            }
            default -> throw new IllegalArgumentException("There is no check " + check + ".");
        }
        return found;
    }

    /** What every check would have shown, each from a stream of its own. */
    public Map<String, List<String>> all(Scene scene, Chance chance) {
        Map<String, List<String>> results = new LinkedHashMap<>();
        ALL.forEach(check -> results.put(check, result(check, scene, chance.stream(check))));
        return results;
    }

    private static void add(List<String> found, String cause, boolean shown) {
        if (shown) {
            found.add(cause);
        }
    }

    private static void underVat(Machine machine, Chance chance, List<String> found) {
        boolean pierced = machine.vat().film().pierced();
        add(found, "film-pierced", pierced && chance.happens(0.85));
        add(found, "spill", !pierced && machine.vat().wetOutside() && chance.happens(0.85));
        add(
                found,
                "debris-on-film",
                machine.vat().bits() > 0
                        && chance.happens(0.5 * (1 - Math.exp(-6 * machine.vat().bits()))));
        if (machine.screen() != null) {
            add(found, "resin-on-screen", machine.screen().resinAnywhere() && chance.happens(0.93));
            add(found, "screen-dark-pixels", machine.screen().patchAnywhere() && chance.happens(0.55));
        }
    }

    private static void screen(Screen screen, Scene scene, Chance chance, List<String> found) {
        if (screen == null) {
            return;
        }
        double sees = scene.oldPrint()
                        || scene.end().signs().stream()
                                .anyMatch(s -> s.symptom().equals("crunch"))
                ? 0.7
                : 0.9;
        boolean dark = screen.patchAnywhere() || screen.spots().stream().anyMatch(s -> !s.lit());
        add(found, "screen-dark-pixels", dark && chance.happens(sees));
        add(found, "screen-lit-pixels", screen.spots().stream().anyMatch(Screen.Spot::lit) && chance.happens(sees));
        add(found, "resin-on-screen", screen.resinAnywhere() && chance.happens(sees));
    }

    private static void file(Job job, Chance chance, List<String> found) {
        add(found, "file-unchecked", (job.doubled() || job.islands()) && chance.happens(job.doubled() ? 0.95 : 0.8));
        add(
                found,
                "supports-weak",
                job.supportStrength() != null && job.supportStrength() * chance.logNormal(1, 0.12) < 0.72);
        add(found, "supports-too-close", job.supportsTooClose() && chance.happens(0.85));
        add(found, "no-drain", job.hollow() && job.drainHoles() < 2 && chance.happens(0.9));
        add(found, "flat-orientation", job.flatShare() > 0.45 && chance.happens(0.9));
        add(found, "wall-thin", job.hollow() && job.wallMm() < 1.2 && chance.happens(0.8));
    }

    private static void profile(Machine machine, Chance chance, List<String> found) {
        double exposure = exposure(machine);
        double bottom = machine.settings().get(Setting.BOTTOM_EXPOSURE_S)
                / machine.sheet(machine.vat().resin()).get(Setting.BOTTOM_EXPOSURE_S);
        double lift = machine.settings().get(Setting.LIFT_MM_PER_MIN)
                / machine.sheet(machine.vat().resin()).get(Setting.LIFT_MM_PER_MIN);
        add(found, "exposure-short", exposure < 0.9 && chance.happens(0.93));
        add(found, "exposure-long", exposure > 1.18 && chance.happens(0.93));
        add(found, "base-exposure-short", bottom < 0.85 && chance.happens(0.93));
        add(found, "base-exposure-long", bottom > 1.4 && chance.happens(0.93));
        add(found, "lift-fast", lift > 1.2 && chance.happens(0.93));
        add(
                found,
                "smoothing-off",
                machine.settings().get(Setting.SMOOTHING) == 0
                        && machine.sheet(machine.vat().resin()).get(Setting.SMOOTHING) > 0
                        && chance.happens(0.95));
        boolean asOnTheSheet = Math.abs(exposure - 1) < 0.02 && Math.abs(bottom - 1) < 0.02;
        add(found, "uncalibrated", asOnTheSheet && machine.runsOfResin() < 12 && chance.happens(0.7));
    }

    private static double exposure(Machine machine) {
        return machine.settings().get(Setting.EXPOSURE_S)
                / machine.sheet(machine.vat().resin()).get(Setting.EXPOSURE_S);
    }

    private static double lightLost(Film film) {
        return 1 - film.meanTransmittance() / film.clearTransmittance();
    }

    private static double lowestPower(Machine machine) {
        double lowest = 1;
        for (int cell = 0; cell < machine.cells().count(); cell++) {
            lowest = Math.min(lowest, machine.light().power(cell));
        }
        return lowest;
    }

    /** Whether the job comes out when it is printed once more on the machine as it is. */
    private boolean again(Scene scene, Job job, Chance chance) {
        Outcome outcome = print.of(scene.machine(), job, scene.around().carefully(), chance)
                .outcome();
        return outcome == Outcome.GOOD;
    }

    /** The same job, shifted to the other side of the plate. */
    private static Job elsewhere(Machine machine, Job job) {
        double right = job.parts().stream()
                .mapToDouble(p -> p.xMm() + p.widthMm())
                .max()
                .orElse(0);
        double left = job.parts().stream().mapToDouble(Job.JobPart::xMm).min().orElse(0);
        double shift =
                left > machine.site().widthMm() - right ? -left : machine.site().widthMm() - right;
        return new Job(
                job.name(),
                job.parts().stream()
                        .map(p -> new Job.JobPart(p.xMm() + shift, p.yMm(), p.widthMm(), p.depthMm()))
                        .toList(),
                job.layers(),
                job.areaShare(),
                job.supportStrength(),
                job.flatShare(),
                job.drainHoles(),
                job.wallMm(),
                job.supportsTooClose(),
                job.greyHeavy(),
                job.doubled(),
                job.islands(),
                job.facesToOneAxis());
    }
}
