package keel.sim.print;

import static keel.sim.print.Printing.signs;
import static keel.sim.print.Printing.with;

import java.util.List;
import keel.core.profile.Setting;
import org.hipparchus.util.FastMath;

/** Whether the layers stay together: green strength by dose and temperature against the peel of each layer. */
final class HoldingTogether implements Force {

    private static final double CRACKS = 0.07;

    @Override
    public void act(Printing print, List<Defect> out) {
        Weighed weighed = Weighed.of(print, CRACKS, cells -> balance(print, cells));
        if (!weighed.allHold()) {
            out.add(defect(print, weighed));
        }
        tooMuch(print, out);
    }

    private static Balance balance(Printing print, int[] cells) {
        Balance balance = new Balance(print.parameters().printing().layerMargin());
        print.light(balance, cells);
        balance.less("resin-cold", print.cold());
        balance.less("lift-fast", print.liftTooFast());
        balance.less("flat-orientation", 0.22 * print.job().flatShare() - 0.05);
        balance.less("film-slack", 1.2 * (0.85 - print.machine().vat().film().tightness()));
        balance.less("room-unsteady", 0.12 * FastMath.max(0, print.swingKPerHour() - 0.8));
        if (print.job().hollow() && print.job().drainHoles() == 0) {
            balance.less("no-drain", print.chance().between(0, 0.35));
        }
        print.looseness(balance);
        return balance;
    }

    private static Defect defect(Printing print, Weighed weighed) {
        double extent = weighed.extent(print);
        List<Sign> signs = signs("layer-split", extent == 0 ? 0.85 : 0.7);
        if (extent > 0) {
            signs = with(
                    with(signs, print.chance().happens(0.6) ? "part-missing" : "model-torn-off", 0.9),
                    "bits-in-vat",
                    0.2 + 0.4 * extent);
        }
        if (print.strength(FastMath.exp(print.exposureRatio())
                        * print.filmLight(weighed.cells())
                        * print.enginePower(weighed.cells()))
                < 0.02) {
            signs = with(with(signs, "soft-detail", 0.55), "tacky", 0.25);
        }
        if (print.machine().vat().film().tightness() < 0.75) {
            signs = with(signs, "soft-detail", 0.3);
        }
        if (print.machine().vat().boltsLoose()) {
            signs = with(signs, "vat-rides-up", 0.85);
        }
        if (print.machine().rockingMm() > 0.3) {
            signs = with(signs, "layer-shift", 0.25);
        }
        if (print.liftTooFast() > 0.1 || print.swingKPerHour() > 1.2) {
            signs = with(signs, "z-lines", 0.3);
        }
        return new Defect(
                weighed.weakest().causes("supports-weak"),
                weighed.weakest().faults(),
                weighed.gone(),
                true,
                print.chance().between(0.05, 0.9),
                weighed.cells(),
                HoldingToPlate.withFilm(print, signs),
                0.7 * extent);
    }

    private static void tooMuch(Printing print, List<Defect> out) {
        int[] all = print.covered();
        double over =
                print.exposureRatio() + FastMath.log(FastMath.max(1e-3, print.enginePower(all) * print.filmLight(all)));
        if (over > 0.5 + print.chance().exponential(0.08)) {
            String cause = print.machine().moved(Setting.EXPOSURE_S) ? "exposure-long" : "uncalibrated";
            out.add(new Defect(
                    List.of(cause),
                    List.of(),
                    true,
                    0.3,
                    new int[0],
                    signs("soft-detail", 0.7, "wrong-size", 0.35, "brittle", 0.4, "squashed-base", 0.3),
                    0));
        }
    }
}
