package keel.sim.print;

import static keel.sim.print.Printing.signs;
import static keel.sim.print.Printing.with;

import java.util.ArrayList;
import java.util.List;
import keel.sim.chance.Chance;
import org.hipparchus.util.FastMath;

/**
 * Whether parts stay on their supports, and what their shape does: flat faces, cavities, thin walls, supports too near.
 */
final class OnSupports implements Force {

    private static final double SAGS = 0.1;
    private static final double SOUND_WALL_MM = 1.2;

    @Override
    public void act(Printing print, List<Defect> out) {
        if (print.job().supportStrength() != null) {
            supports(print, out);
        }
        shape(print, out);
    }

    private static void supports(Printing print, List<Defect> out) {
        Weighed weighed = Weighed.of(print, SAGS, cells -> balance(print, cells));
        if (weighed.allHold()) {
            return;
        }
        double extent = weighed.extent(print);
        List<Sign> signs = new ArrayList<>(
                extent == 0 ? List.of() : signs("model-torn-off", 0.95, "bits-in-vat", 0.15 + 0.3 * extent));
        signs.addAll(signs("overhang-droop", extent == 0 ? 0.85 : 0.6));
        if (weighed.marginal().size() > weighed.gone().size()) {
            signs = new ArrayList<>(with(signs, "warped", 0.35));
        }
        out.add(new Defect(
                weighed.weakest().causes("supports-weak"),
                weighed.weakest().faults(),
                weighed.gone(),
                true,
                print.chance().between(0.15, 0.8),
                weighed.cells(),
                HoldingToPlate.withFilm(print, signs),
                0.7 * extent));
    }

    private static Balance balance(Printing print, int[] cells) {
        Job job = print.job();
        Balance balance = new Balance(print.parameters().printing().supportMargin());
        balance.less("supports-weak", -FastMath.log(job.supportStrength()));
        balance.less("flat-orientation", 0.5 * (job.flatShare() - 0.3));
        if (job.hollow() && job.drainHoles() < 2) {
            balance.less("no-drain", job.drainHoles() == 0 ? 0.4 : 0.15);
        }
        balance.less("resin-cold", 0.8 * print.cold());
        balance.less("lift-fast", print.liftTooFast());
        Balance light = new Balance(0);
        print.light(light, cells);
        balance.less(light.causes("exposure-short").get(0), -0.6 * light.margin());
        print.looseness(balance);
        return balance;
    }

    private static void shape(Printing print, List<Defect> out) {
        Job job = print.job();
        Chance chance = print.chance();
        if (job.flatShare() > 0.5 && chance.happens(0.06 * job.flatShare())) {
            List<Sign> signs = signs("pitted-face", 0.85);
            signs = chance.happens(0.5) ? with(signs, "warped", 0.7) : signs;
            out.add(marring(
                    print,
                    List.of("flat-orientation"),
                    chance.happens(0.3) ? with(signs, "overhang-droop", 0.5) : signs));
        }
        if (job.hollow() && job.drainHoles() < 2 && chance.happens(job.drainHoles() == 0 ? 0.75 : 0.3)) {
            List<Sign> signs = chance.happens(0.65) ? signs("burst-wall", 0.9, "weeping", 0.5) : signs("weeping", 0.9);
            out.add(marring(print, List.of("no-drain"), signs));
        } else if (job.hollow()
                && job.wallMm() < SOUND_WALL_MM
                && chance.happens((SOUND_WALL_MM - job.wallMm()) * 1.1)) {
            out.add(marring(
                    print,
                    List.of("wall-thin"),
                    chance.happens(0.6)
                            ? signs("burst-wall", 0.85, "brittle", 0.2)
                            : signs("warped", 0.8, "brittle", 0.35)));
        }
        if (job.supportsTooClose()) {
            out.add(marring(print, List.of("supports-too-close"), signs("supports-fused", 0.92)));
        }
        if (chance.happens(print.resin().brittle())) {
            out.add(marring(print, List.of("resin-brittle"), signs("brittle", 0.9)));
        }
    }

    static Defect marring(Printing print, List<String> causes, List<Sign> signs) {
        return new Defect(causes, List.of(), true, print.chance().between(0.2, 0.9), new int[0], signs, 0);
    }
}
