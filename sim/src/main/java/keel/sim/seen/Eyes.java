package keel.sim.seen;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.sim.chance.Chance;
import keel.sim.print.PrintEnd;
import keel.sim.print.Sign;
import keel.sim.world.Cells;
import keel.sim.world.Parameters;

/**
 * Somebody looks at a print: not every sign is noticed, some are taken for something else, now and then one is
 * imagined.
 */
public final class Eyes {

    /** What looks alike to somebody in a hurry. */
    private static final Map<String, String> ALIKE = Map.ofEntries(
            Map.entry("part-missing", "model-torn-off"),
            Map.entry("model-torn-off", "part-missing"),
            Map.entry("base-lifting", "warped"),
            Map.entry("layer-split", "layer-shift"),
            Map.entry("region-bare", "part-missing"),
            Map.entry("z-lines", "layer-shift"),
            Map.entry("overhang-droop", "warped"),
            Map.entry("warped", "overhang-droop"),
            Map.entry("soft-detail", "steps-all-round"),
            Map.entry("hole-through", "burst-wall"),
            Map.entry("burst-wall", "hole-through"),
            Map.entry("steps-one-axis", "z-lines"),
            Map.entry("squashed-base", "wrong-size"),
            Map.entry("tacky", "weeping"),
            Map.entry("weeping", "tacky"),
            Map.entry("bare-plate", "part-missing"));

    private static final List<String> IMAGINED =
            List.of("film-cloudy", "soft-detail", "z-lines", "bits-in-vat", "smoky-colour");

    /** What people look for and say is not there. */
    private static final List<String> LOOKED_FOR = List.of(
            "bits-in-vat",
            "wet-under-vat",
            "film-cloudy",
            "film-slack",
            "vat-rides-up",
            "crunch",
            "base-lifting",
            "layer-split",
            "grinding");

    private final Parameters.Sight sight;

    public Eyes(Parameters.Sight sight) {
        this.sight = sight;
    }

    /**
     * What somebody wrote down.
     *
     * @param symptoms seen, the plainest first; never empty
     * @param absent looked for and not there
     */
    public record Seen(List<String> symptoms, List<String> absent, List<String> zones) {}

    /** @param attention about 1; less in a hurry */
    public Seen look(PrintEnd end, Cells plate, double attention, Chance chance) {
        Set<String> seen = new LinkedHashSet<>();
        Set<String> there = new LinkedHashSet<>();
        List<Sign> plainest = end.signs().stream()
                .sorted((a, b) -> Double.compare(b.clarity(), a.clarity()))
                .toList();
        for (Sign sign : plainest) {
            there.add(sign.symptom());
            if (chance.happens(Math.min(0.99, sight.notesClearSign() * sign.clarity() * attention))) {
                boolean mistaken =
                        ALIKE.containsKey(sign.symptom()) && chance.happens(sight.takesForAnother() / attention);
                seen.add(mistaken ? ALIKE.get(sign.symptom()) : sign.symptom());
            }
        }
        if (seen.isEmpty()) {
            seen.add(plainest.get(0).symptom());
        }
        if (chance.happens(sight.imagines() / attention)) {
            seen.add(chance.oneOf(IMAGINED));
        }
        List<String> absent = new ArrayList<>();
        for (String symptom : LOOKED_FOR) {
            boolean overlooked = there.contains(symptom) && !chance.happens(0.15);
            if (!seen.contains(symptom) && !overlooked && chance.happens(sight.notesAbsence() * attention)) {
                absent.add(symptom);
            }
        }
        return new Seen(List.copyOf(seen), absent, zones(end.cells(), plate, chance));
    }

    private List<String> zones(int[] cells, Cells plate, Chance chance) {
        List<String> zones =
                Arrays.stream(cells).mapToObj(plate::zone).distinct().sorted().toList();
        if (zones.isEmpty() || zones.size() > 8 || chance.happens(sight.wrongZone())) {
            return List.of();
        }
        return zones.size() > 4 ? zones.subList(0, 4) : zones;
    }
}
