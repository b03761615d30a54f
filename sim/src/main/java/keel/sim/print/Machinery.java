package keel.sim.print;

import static keel.sim.print.Printing.signs;
import static keel.sim.print.Printing.with;

import java.util.List;
import keel.core.profile.Setting;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;

/**
 * Steps, lines and noises that the machine makes, what its controller cannot do, and the old print that is still on the
 * plate.
 */
final class Machinery implements Force {

    private static final double WRONG_SIZE = 0.008;

    @Override
    public void act(Printing print, List<Defect> out) {
        Machine machine = print.machine();
        Chance chance = print.chance();
        if (machine.plate().oldPrintOn()) {
            leftOn(print, out);
        }
        if (machine.drynessOfZ() > 1 && chance.happens(0.35 * machine.drynessOfZ())) {
            List<Sign> signs = signs("z-lines", 0.75, "grinding", 0.8);
            out.add(OnSupports.marring(
                    print, List.of("z-dry"), chance.happens(0.3) ? with(signs, "layer-shift", 0.8) : signs));
        }
        if (machine.plate().boltsLoose() && chance.happens(0.25)) {
            out.add(OnSupports.marring(print, List.of("plate-bolts-loose"), signs("layer-shift", 0.85)));
        }
        if (machine.vat().boltsLoose() && chance.happens(0.15)) {
            out.add(OnSupports.marring(
                    print, List.of("vat-bolts-loose"), signs("vat-rides-up", 0.9, "layer-split", 0.6)));
        }
        if (machine.rockingMm() > 0.25 && chance.happens(0.15)) {
            out.add(OnSupports.marring(
                    print, List.of("machine-rocks"), signs(chance.happens(0.5) ? "layer-shift" : "z-lines", 0.7)));
        }
        if (print.swingKPerHour() > 1.1 && chance.happens(0.08 * (print.swingKPerHour() - 1))) {
            out.add(OnSupports.marring(print, List.of("room-unsteady"), signs("z-lines", 0.7, "warped", 0.3)));
        }
        controller(print, out);
    }

    private static void leftOn(Printing print, List<Defect> out) {
        int[] covered = print.covered();
        int middle = covered[print.chance().below(covered.length)];
        if (print.machine().screen() != null) {
            print.machine().screen().crush(middle);
        }
        print.machine().vat().film().wear(print.chance().exponential(350), new int[] {middle});
        print.machine().vat().film().dent();
        List<Sign> signs =
                signs("crunch", print.chance().happens(0.75) ? 0.9 : 0.2, "region-bare", 0.65, "bits-in-vat", 0.5);
        signs = print.chance().happens(0.35) ? with(signs, "hole-through", 0.6) : signs;
        out.add(new Defect(
                List.of("print-left-on"),
                print.allParts(),
                false,
                0.002,
                print.machine().cells().around(middle, 15),
                signs,
                0.5));
    }

    private static void controller(Printing print, List<Defect> out) {
        Machine machine = print.machine();
        if (machine.quirks().glitchesOnGreys()
                && print.job().greyHeavy()
                && print.chance().happens(0.5)) {
            List<Sign> signs = signs("loose-flakes", 0.85);
            out.add(OnSupports.marring(
                    print,
                    List.of("data-glitch"),
                    print.chance().happens(0.3) ? with(signs, "layer-shift", 0.7) : signs));
        }
        if (print.setting(Setting.SMOOTHING) == 0
                && print.sheet().get(Setting.SMOOTHING) > 0
                && print.chance().happens(0.5)) {
            out.add(OnSupports.marring(print, List.of("smoothing-off"), signs("steps-all-round", 0.9)));
        } else if (machine.quirks().smoothsOneAxisOnly()
                && print.job().facesToOneAxis()
                && print.chance().happens(0.06)) {
            out.add(OnSupports.marring(print, List.of("smoothing-one-axis"), signs("steps-one-axis", 0.9)));
        }
        if (!machine.scaleChecked()
                && Math.abs(machine.quirks().definitionScale() - 1) > WRONG_SIZE
                && print.chance().happens(0.08)) {
            out.add(OnSupports.marring(print, List.of("scale-uncorrected"), signs("wrong-size", 0.95)));
        }
    }
}
