package keel.sim.print;

import java.util.ArrayList;
import java.util.List;
import keel.core.placement.PlacedPart;

/**
 * What is to be printed.
 *
 * @param parts where they stand on the plate
 * @param layers of 0.05 mm
 * @param areaShare share of a part's rectangle that an average layer covers, 0 to 1
 * @param supportStrength of its supports against what a careful person would give it; null where it stands on the plate
 *     without
 * @param flatShare how much of it lies flat to the film, 0 to 1
 * @param drainHoles in a hollow part; {@code wallMm} its wall; both null where it is solid
 * @param supportsTooClose whether supports stand so near a wall that they fuse with it
 * @param greyHeavy whether its rows hold very many grey pixels
 * @param doubled whether the sliced file holds a second model in the first, {@code islands} unsupported islands
 * @param facesToOneAxis whether it has plain faces square to the axis that a one-axis smoothing leaves alone
 */
public record Job(
        String name,
        List<JobPart> parts,
        int layers,
        double areaShare,
        Double supportStrength,
        double flatShare,
        Integer drainHoles,
        Double wallMm,
        boolean supportsTooClose,
        boolean greyHeavy,
        boolean doubled,
        boolean islands,
        boolean facesToOneAxis) {

    private static final double FLAT = 0.45;

    /** One part's rectangle on the plate, mm. */
    public record JobPart(double xMm, double yMm, double widthMm, double depthMm) {}

    public boolean hollow() {
        return drainHoles != null;
    }

    /** What whoever prints it knows of the part without looking, by the codes of facts of history. */
    public List<String> toldOf() {
        List<String> facts = new ArrayList<>();
        if (hollow()) {
            facts.add("heavy-or-hollow-part");
        }
        if (hollow()) {
            facts.add(drainHoles < 2 ? "one-drain-or-none" : "two-drains");
        }
        if (flatShare > FLAT) {
            facts.add("no-tilt");
        }
        return facts;
    }

    /** Where it lies on the plate. */
    public List<PlacedPart> footprint() {
        return parts.stream()
                .map(p -> PlacedPart.atCorner(p.xMm(), p.yMm(), p.widthMm(), p.depthMm()))
                .toList();
    }

    /** Resin in the finished parts, ml. */
    public double ml() {
        double area = parts.stream().mapToDouble(p -> p.widthMm() * p.depthMm()).sum();
        return area * areaShare * layers * 0.05 / 1000 * (hollow() ? 0.45 : 1);
    }

    /** The same after somebody has paged through the file and put right what was seen. */
    public Job corrected() {
        return new Job(
                name,
                parts,
                layers,
                areaShare,
                supportStrength,
                flatShare,
                drainHoles,
                wallMm,
                supportsTooClose,
                greyHeavy,
                false,
                false,
                facesToOneAxis);
    }

    /** The same with heavier supports. */
    public Job supported(double strength) {
        return new Job(
                name,
                parts,
                layers,
                areaShare,
                strength,
                flatShare,
                drainHoles,
                wallMm,
                supportsTooClose,
                greyHeavy,
                doubled,
                islands,
                facesToOneAxis);
    }

    /** The same with drain holes and a sound wall. */
    public Job drained() {
        return new Job(
                name,
                parts,
                layers,
                areaShare,
                supportStrength,
                flatShare,
                hollow() ? 2 : null,
                hollow() ? 1.5 : null,
                supportsTooClose,
                greyHeavy,
                doubled,
                islands,
                facesToOneAxis);
    }

    /** The same, tilted. */
    public Job tilted() {
        return new Job(
                name,
                parts,
                (int) (layers * 1.4),
                areaShare,
                supportStrength == null ? 1.0 : supportStrength,
                0.1,
                drainHoles,
                wallMm,
                supportsTooClose,
                greyHeavy,
                doubled,
                islands,
                facesToOneAxis);
    }

    /** The same with its supports further from the walls. */
    public Job spaced() {
        return new Job(
                name,
                parts,
                layers,
                areaShare,
                supportStrength,
                flatShare,
                drainHoles,
                wallMm,
                false,
                greyHeavy,
                doubled,
                islands,
                facesToOneAxis);
    }

    /** A small piece that is known to come out. */
    public static Job knownGood(double plateWidthMm, double plateDepthMm) {
        return new Job(
                "Known-good piece",
                List.of(new JobPart(plateWidthMm / 2 - 12, plateDepthMm / 2 - 12, 24, 24)),
                400,
                0.4,
                1.3,
                0.1,
                null,
                null,
                false,
                false,
                false,
                false,
                false);
    }
}
