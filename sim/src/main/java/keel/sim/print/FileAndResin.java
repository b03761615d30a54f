package keel.sim.print;

import static keel.sim.print.Printing.signs;
import static keel.sim.print.Printing.with;

import java.util.List;
import keel.sim.chance.Chance;
import keel.sim.world.Vat;

/** What was wrong before the first layer: the file, the stick, the resin; and what is done wrong after the last. */
final class FileAndResin implements Force {

    private static final double STAYS_COVERED_ML = 25;

    @Override
    public void act(Printing print, List<Defect> out) {
        file(print, out);
        resin(print, out);
        finish(print, out);
    }

    private static void file(Printing print, List<Defect> out) {
        Chance chance = print.chance();
        if (print.fileReadBadly()) {
            List<String> causes = print.machine().stickWorn()
                    ? chance.happens(0.4) ? List.of("medium-bad", "file-corrupt") : List.of("medium-bad")
                    : List.of("file-corrupt");
            List<Sign> signs =
                    switch (chance.below(4)) {
                        case 0 -> signs("ends-early", 0.95);
                        case 1 -> signs("loose-flakes", 0.85);
                        default -> signs("solid-slab", 0.97);
                    };
            signs = causes.contains("medium-bad") ? with(signs, "media-not-read", 0.8) : signs;
            boolean slab = signs.get(0).symptom().equals("solid-slab");
            out.add(new Defect(
                    causes, print.allParts(), false, chance.between(0.02, 0.7), new int[0], signs, slab ? 1.2 : 0.3));
        }
        if (print.job().doubled()) {
            out.add(new Defect(
                    List.of("file-unchecked"),
                    print.allParts(),
                    false,
                    0.5,
                    new int[0],
                    signs("doubled-model", 0.95),
                    0));
        } else if (print.job().islands()) {
            List<Integer> one = List.of(chance.below(print.job().parts().size()));
            List<Sign> signs = chance.happens(0.5)
                    ? signs("model-torn-off", 0.6, "bits-in-vat", 0.5)
                    : signs("part-missing", 0.85, "bits-in-vat", 0.5);
            out.add(new Defect(
                    List.of("file-unchecked"), one, true, chance.between(0.2, 0.7), new int[0], signs, 0.15));
        }
    }

    private static void resin(Printing print, List<Defect> out) {
        Vat vat = print.machine().vat();
        double over = vat.ml() - STAYS_COVERED_ML - print.job().ml();
        if (over < 0 && !print.machine().site().selfFilling()) {
            double reached =
                    Math.max(0.05, (vat.ml() - STAYS_COVERED_ML) / print.job().ml());
            out.add(new Defect(
                    List.of("resin-short"),
                    print.allParts(),
                    false,
                    reached,
                    new int[0],
                    print.chance().happens(0.25)
                            ? signs("ends-early", 0.95, "part-missing", 0.4)
                            : signs("ends-early", 0.95),
                    0.05));
        }
        if (print.settled() > 0.15 && print.chance().happens(print.settled())) {
            out.add(OnSupports.marring(
                    print, List.of("resin-settled"), signs("smoky-colour", 0.9, "soft-detail", 0.2)));
        }
        if (vat.mixedWith() != null && print.chance().happens(0.6)) {
            List<Sign> signs = signs("smoky-colour", 0.7);
            signs = print.chance().happens(0.5) ? with(signs, "tacky", 0.7) : signs;
            out.add(OnSupports.marring(
                    print, List.of("resin-mixed"), print.chance().happens(0.3) ? with(signs, "brittle", 0.6) : signs));
        }
    }

    private static void finish(Printing print, List<Defect> out) {
        Chance chance = print.chance();
        if (print.finish().washedShort() && chance.happens(0.55)) {
            out.add(OnSupports.marring(print, List.of("wash-short"), signs("tacky", 0.92, "soft-detail", 0.3)));
        }
        if (print.finish().driedShort() && chance.happens(0.55)) {
            out.add(OnSupports.marring(print, List.of("dried-short"), signs("white-bloom", 0.92)));
        }
        if (print.finish().curedLong() && chance.happens(0.55)) {
            out.add(OnSupports.marring(print, List.of("cure-long"), signs("brittle", 0.75, "warped", 0.45)));
        }
    }
}
