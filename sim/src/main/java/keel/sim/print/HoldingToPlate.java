package keel.sim.print;

import static keel.sim.print.Printing.signs;
import static keel.sim.print.Printing.with;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import keel.core.profile.Setting;
import keel.sim.world.Plate;
import org.hipparchus.util.FastMath;

/**
 * Whether the first layers stay on the plate: grip and bottom exposure against the peel, cell by cell. Where the plate
 * stands off the film the first layer is thin or not there at all; where it presses, the base is squashed.
 */
final class HoldingToPlate implements Force {

    private static final double CLOSE_ENOUGH_MM = 0.07;
    private static final double LIFTING = 0.13;
    private static final double SQUASHES_MM = -0.14;

    @Override
    public void act(Printing print, List<Defect> out) {
        Weighed weighed = Weighed.of(print, LIFTING, cells -> balance(print, cells));
        if (!weighed.allHold()) {
            out.add(defect(print, weighed));
        }
        pressed(print, out);
    }

    private static Balance balance(Printing print, int[] cells) {
        Balance balance = new Balance(print.parameters().printing().baseMargin());
        balance.less(print.exposureShort(Setting.BOTTOM_EXPOSURE_S), -0.7 * print.bottomExposureRatio());
        balance.less("light-weak", -0.5 * FastMath.log(FastMath.max(1e-3, print.enginePower(cells))));
        balance.less("film-worn", -0.5 * FastMath.log(print.filmLight(cells)));
        gap(balance, print.machine().plate(), cells);
        balance.less("plate-smooth", -FastMath.log(print.machine().plate().grip()));
        balance.less("resin-cold", 0.7 * print.cold());
        balance.less("lift-fast", print.liftTooFast());
        if (print.machine().plate().burr()) {
            balance.less("plate-burr", print.chance().between(0, 0.35));
        }
        print.looseness(balance);
        return balance;
    }

    /** The worst cell of a part decides: there the peel begins. */
    private static void gap(Balance balance, Plate plate, int[] cells) {
        int worst = cells[0];
        for (int cell : cells) {
            worst = plate.gapMm(cell) > plate.gapMm(worst) ? cell : worst;
        }
        double over = plate.gapMm(worst) - CLOSE_ENOUGH_MM;
        if (over <= 0) {
            return;
        }
        double tilt = plate.tiltMm(worst);
        double height = plate.heightMm();
        String cause = tilt >= height && tilt >= plate.hollowMm()
                ? plate.boltsLoose() ? "plate-bolts-loose" : "plate-tilted"
                : height >= plate.hollowMm() ? "plate-height-wrong" : "plate-smooth";
        balance.less(cause, FastMath.pow(over / 0.08, 1.3) * 0.5);
    }

    private static Defect defect(Printing print, Weighed weighed) {
        double extent = weighed.extent(print);
        List<Sign> signs = new ArrayList<>();
        if (extent == 1) {
            signs.addAll(signs("bare-plate", 0.98));
        } else if (extent > 0) {
            signs.addAll(signs("part-missing", 0.95));
        }
        if (!weighed.marginal().isEmpty()) {
            signs.addAll(signs("base-lifting", extent == 0 ? 0.9 : 0.7));
        }
        if (extent > 0) {
            signs.addAll(signs("bits-in-vat", 0.35 * extent));
        }
        if (print.machine().vat().boltsLoose()) {
            signs.addAll(signs("vat-rides-up", 0.7));
        }
        return new Defect(
                weighed.weakest().causes("supports-weak"),
                weighed.weakest().faults(),
                weighed.gone(),
                !weighed.marginal().isEmpty(),
                print.chance().between(0.004, 0.05),
                weighed.cells(),
                withFilm(print, signs),
                0.6 * extent);
    }

    /** A film that is slack, or clouded for everybody to see, is there to be noticed, whatever gave way. */
    static List<Sign> withFilm(Printing print, List<Sign> signs) {
        double lost = 1
                - print.machine().vat().film().meanTransmittance()
                        / print.machine().vat().film().clearTransmittance();
        List<Sign> all = lost > 0.09 ? with(signs, "film-cloudy", FastMath.min(0.9, lost * 5)) : signs;
        return print.machine().vat().film().tightness() < 0.72 ? with(all, "film-slack", 0.8) : all;
    }

    private static void pressed(Printing print, List<Defect> out) {
        Plate plate = print.machine().plate();
        int[] deep = Arrays.stream(print.covered())
                .filter(c -> plate.gapMm(c) < SQUASHES_MM)
                .toArray();
        if (deep.length > 0
                && Arrays.stream(deep).mapToDouble(plate::gapMm).min().orElse(0)
                        < SQUASHES_MM - print.chance().exponential(0.05)) {
            boolean byHeight = plate.heightMm() < SQUASHES_MM / 2;
            boolean hard = Arrays.stream(deep).mapToDouble(plate::gapMm).min().orElse(0) < -0.32;
            List<Sign> signs = signs("squashed-base", 0.85);
            out.add(new Defect(
                    List.of(byHeight ? "plate-height-wrong" : "plate-tilted"),
                    List.of(),
                    true,
                    0.01,
                    deep,
                    hard ? with(signs, "crunch", 0.5) : signs,
                    0));
        }
        double over = print.bottomExposureRatio();
        if (over > 0.75 + print.chance().exponential(0.1)) {
            out.add(new Defect(
                    List.of("base-exposure-long"),
                    List.of(),
                    true,
                    0.01,
                    new int[0],
                    signs("squashed-base", 0.8, "wrong-size", 0.2),
                    0));
        }
    }
}
