package keel.sim.shop;

import java.util.List;
import keel.core.run.Outcome;
import keel.sim.chance.Chance;
import keel.sim.seen.Checks;
import keel.sim.seen.Eyes;

/** The few words that somebody adds, or not. */
final class Notes {

    private static final List<String> ALL_GONE = List.of(
            "Nothing on the plate.", "All of it in the vat.", "Not one came up.", "Had to peel it off the film.");
    private static final List<String> HURRY = List.of(
            "", "", "", "Second time this week.", "Looked fine at the first look.", "Only seen in the morning.");

    private Notes() {}

    static String of(Checks.Scene scene, Eyes.Seen seen, Chance chance) {
        int parts = scene.job().parts().size();
        int lost = (int) Math.round(scene.end().lostShare() * parts);
        if (scene.end().outcome() == Outcome.FAILED && seen.symptoms().contains("bare-plate")) {
            return chance.oneOf(ALL_GONE);
        }
        if (lost > 0 && lost < parts && chance.happens(0.7)) {
            return "%d of %d lost.".formatted(lost, parts);
        }
        if (seen.symptoms().contains("layer-split") && scene.around().resinC() < 18 && chance.happens(0.5)) {
            return "Cold in here this morning.";
        }
        String words = chance.oneOf(HURRY);
        return words.isEmpty() ? null : words;
    }
}
