package keel.sim.print;

import java.util.ArrayList;
import java.util.List;
import keel.sim.chance.Chance;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import org.hipparchus.util.FastMath;

/** What the shop's customers want: casting patterns and river animals, in sets that fit the plate. */
public final class Jobs {

    private record JobKind(
            String name,
            int least,
            int most,
            double partMm,
            double tallMm,
            double areaShare,
            boolean flat,
            boolean canBeHollow) {}

    private static final List<JobKind> KINDS = List.of(
            new JobKind("Gate latch pattern", 1, 3, 44, 30, 0.34, true, false),
                    new JobKind("Latch keeper, pair", 2, 2, 34, 24, 0.36, true, false),
            new JobKind("Hinge patterns", 3, 8, 30, 34, 0.3, true, false),
                    new JobKind("Strap end patterns", 4, 10, 20, 26, 0.34, false, false),
            new JobKind("Mayfly larva, set", 6, 14, 15, 38, 0.16, false, false),
                    new JobKind("Caddis case models", 4, 12, 16, 30, 0.3, false, true),
            new JobKind("Stonefly nymph, set", 3, 8, 24, 42, 0.15, false, false),
                    new JobKind("Freshwater shrimp", 2, 6, 28, 46, 0.2, false, true),
            new JobKind("River limpet set", 4, 12, 18, 18, 0.4, false, false),
                    new JobKind("Core box insert", 1, 2, 50, 36, 0.36, true, true),
            new JobKind("Runner and gate set", 2, 5, 34, 40, 0.24, true, false),
                    new JobKind("Leech model, large", 1, 2, 46, 62, 0.24, false, true));

    private Jobs() {}

    /** @param overnight whether it may take the whole night */
    public static Job next(
            Machine machine, Parameters.Work work, double carelessness, boolean overnight, Chance chance) {
        JobKind kind = chance.oneOf(KINDS);
        int layers = (int) (kind.tallMm() * chance.between(0.8, 1.6) * (overnight ? 2.1 : 1.25) / 0.05);
        boolean hollow = kind.canBeHollow() && chance.happens(work.hollowShare());
        boolean flat = kind.flat() && chance.happens(work.flatShare() * carelessness);
        boolean supported = !flat || chance.happens(0.5);
        return new Job(
                kind.name(),
                placed(machine, kind, chance),
                layers,
                kind.areaShare(),
                supported ? chance.logNormal(1, work.supportSd() * carelessness) : null,
                flat ? chance.between(0.5, 1) : chance.between(0, 0.2),
                hollow ? (chance.happens(work.undrainedChance()) ? chance.below(2) : 2) : null,
                hollow
                        ? (chance.happens(work.thinWallChance()) ? chance.between(0.7, 1.1) : chance.between(1.2, 2))
                        : null,
                supported && chance.happens(work.heavySupportsTooClose()),
                chance.happens(work.greyHeavyShare()),
                chance.happens(work.fileFaultChance()),
                chance.happens(work.islandsChance()),
                kind.flat() && chance.happens(0.5));
    }

    private static List<Job.JobPart> placed(Machine machine, JobKind kind, Chance chance) {
        double pitch = kind.partMm() * 1.12;
        int columns = (int) FastMath.max(1, FastMath.floor(machine.site().widthMm() / pitch));
        int rows = (int) FastMath.max(1, FastMath.floor(machine.site().depthMm() / pitch));
        int count = FastMath.min(columns * rows, kind.least() + chance.below(kind.most() - kind.least() + 1));
        int usedColumns = (int) FastMath.min(
                columns, FastMath.max(FastMath.ceil((double) count / rows), FastMath.ceil(FastMath.sqrt(count * 1.6))));
        int usedRows = (int) FastMath.ceil((double) count / usedColumns);
        double left = (machine.site().widthMm() - usedColumns * pitch) * chance.between(0.25, 0.75);
        double front = (machine.site().depthMm() - usedRows * pitch) * chance.between(0.25, 0.75);
        List<Job.JobPart> parts = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            parts.add(new Job.JobPart(
                    left + i % usedColumns * pitch,
                    FastMath.max(0, front) + i / usedColumns * pitch,
                    kind.partMm(),
                    kind.partMm()));
        }
        return parts;
    }
}
