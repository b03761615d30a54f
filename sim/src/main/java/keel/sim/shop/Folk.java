package keel.sim.shop;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import keel.sim.chance.Chance;

/**
 * What the shop's people believe, right or not: what they look at first when they see something, and whom they blame
 * when they find nothing. Habits of such shops, common practice; nothing here is taken from the product's own tables.
 */
final class Folk {

    private static final Map<String, List<String>> FIRST_LOOKS = Map.ofEntries(
            Map.entry(
                    "bare-plate",
                    List.of("level-check", "compare-profile", "plate-zero", "straight-edge", "resin-temp")),
            Map.entry("base-lifting", List.of("level-check", "straight-edge", "plate-zero", "plate-bolts")),
            Map.entry("part-missing", List.of("feel-vat", "page-file", "level-check", "vat-bolts", "compare-profile")),
            Map.entry("model-torn-off", List.of("page-file", "compare-profile", "resin-temp")),
            Map.entry("overhang-droop", List.of("page-file", "compare-profile")),
            Map.entry(
                    "layer-split",
                    List.of("resin-temp", "compare-profile", "vat-bolts", "compare-film", "uv-map", "tap-film")),
            Map.entry("layer-shift", List.of("plate-bolts", "turn-z-by-hand", "rock-test")),
            Map.entry("z-lines", List.of("turn-z-by-hand", "resin-temp", "rock-test", "tap-film")),
            Map.entry("grinding", List.of("turn-z-by-hand")),
            Map.entry("region-bare", List.of("look-under-vat", "feel-vat", "screen-test", "level-check")),
            Map.entry("hole-through", List.of("screen-test", "feel-vat")),
            Map.entry("thin-columns", List.of("screen-test")),
            Map.entry("wet-under-vat", List.of("look-under-vat", "leak-check")),
            Map.entry("bits-in-vat", List.of("feel-vat", "stir-look")),
            Map.entry("film-cloudy", List.of("compare-film")),
            Map.entry("film-slack", List.of("tap-film")),
            Map.entry("pitted-face", List.of("page-file", "feel-vat", "compare-film")),
            Map.entry("warped", List.of("page-file", "wash-log")),
            Map.entry("crunch", List.of("plate-look", "look-under-vat", "screen-test", "feel-vat")),
            Map.entry("solid-slab", List.of("other-medium", "dry-run")),
            Map.entry("loose-flakes", List.of("dry-run", "other-medium")),
            Map.entry("media-not-read", List.of("other-medium")),
            Map.entry("ends-early", List.of("resin-level", "plate-look", "other-medium")),
            Map.entry("doubled-model", List.of("page-file")),
            Map.entry("burst-wall", List.of("page-file")),
            Map.entry("weeping", List.of("page-file")),
            Map.entry("supports-fused", List.of("page-file")),
            Map.entry("smoky-colour", List.of("stir-look")),
            Map.entry("tacky", List.of("wash-log", "stir-look")),
            Map.entry("white-bloom", List.of("wash-log")),
            Map.entry("brittle", List.of("wash-log", "compare-profile")),
            Map.entry("wrong-size", List.of("measure-cube")),
            Map.entry("squashed-base", List.of("plate-zero", "compare-profile", "level-check")),
            Map.entry("soft-detail", List.of("compare-profile", "compare-film", "uv-map")),
            Map.entry("steps-one-axis", List.of("axis-piece")),
            Map.entry("steps-all-round", List.of("compare-profile")),
            Map.entry("vat-rides-up", List.of("vat-bolts")),
            Map.entry("nothing-cured", List.of("light-test")));

    /** What they do when they have no idea: level, look at the settings, look at the file. */
    private static final List<String> BY_HABIT =
            List.of("level-check", "compare-profile", "page-file", "feel-vat", "plate-zero", "resin-temp");

    private static final List<String> FROM_THE_TOP = List.of(
            "plate-look",
            "feel-vat",
            "look-under-vat",
            "vat-bolts",
            "plate-bolts",
            "rock-test",
            "level-check",
            "plate-zero",
            "straight-edge",
            "resin-temp",
            "tap-film",
            "compare-film",
            "screen-test",
            "uv-map",
            "page-file",
            "other-medium",
            "stir-look",
            "compare-profile",
            "turn-z-by-hand",
            "wash-log",
            "measure-cube",
            "leak-check",
            "dry-run",
            "axis-piece",
            "light-test");

    private static final List<String> BLAMED =
            List.of("plate-tilted", "exposure-short", "supports-weak", "plate-tilted", "film-worn", "resin-cold");

    /** Whom a sight points to, right or not, when the checks found nothing. */
    private static final Map<String, String> BELIEVED = Map.ofEntries(
            Map.entry("squashed-base", "base-exposure-long"),
            Map.entry("base-lifting", "plate-smooth"),
            Map.entry("bare-plate", "base-exposure-short"),
            Map.entry("soft-detail", "film-worn"),
            Map.entry("layer-split", "exposure-short"),
            Map.entry("hole-through", "screen-dark-pixels"),
            Map.entry("z-lines", "z-dry"),
            Map.entry("layer-shift", "plate-bolts-loose"),
            Map.entry("smoky-colour", "resin-settled"),
            Map.entry("model-torn-off", "supports-weak"),
            Map.entry("part-missing", "plate-tilted"),
            Map.entry("solid-slab", "medium-bad"),
            Map.entry("brittle", "cure-long"),
            Map.entry("nothing-cured", "screen-blank"),
            Map.entry("tacky", "wash-short"));

    private Folk() {}

    /** The checks that somebody would do, in order: from what is seen, or from habit. */
    static List<String> checks(List<String> symptoms, boolean fromWhatIsSeen, int patience, Chance chance) {
        List<String> order = new ArrayList<>();
        if (fromWhatIsSeen) {
            for (int round = 0; round < 6; round++) {
                for (String symptom : symptoms) {
                    List<String> looks = FIRST_LOOKS.getOrDefault(symptom, List.of());
                    if (round < looks.size() && !order.contains(looks.get(round))) {
                        order.add(looks.get(round));
                    }
                }
            }
        } else {
            order.addAll(BY_HABIT);
            order.remove(chance.below(order.size()));
        }
        return order.subList(0, Math.min(order.size(), patience));
    }

    /** After the third failure in a row somebody takes the time. */
    static List<String> everything() {
        return FROM_THE_TOP;
    }

    static String blamed(List<String> symptoms, Chance chance) {
        String believed = BELIEVED.get(symptoms.get(0));
        return believed != null && chance.happens(0.6) ? believed : chance.oneOf(BLAMED);
    }
}
