package keel.sim.story;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.sim.shop.Happening;
import keel.sim.world.Machine;

/** What the keeper has found out about the machines that no repair mends. */
final class QuirksStory {

    /** One machine must be free of everything at the end. */
    private static final Set<String> NOTHING_NOTED = Set.of("egret");

    private static final int FOUND_DAYS_AGO = 47;

    private QuirksStory() {}

    static List<Happening> happenings(Map<String, Machine> machines, Days days) {
        List<Happening> all = new ArrayList<>();
        for (Map.Entry<String, Machine> m : machines.entrySet()) {
            if (!NOTHING_NOTED.contains(m.getKey()) && m.getValue().quirks().smoothsOneAxisOnly()) {
                String other = m.getKey().equals("curlew") ? "avocet" : "curlew";
                all.add(new Happening.Compared(
                        days.before(FOUND_DAYS_AGO + 1),
                        "keeper",
                        "Piece with faces to both axes",
                        m.getKey(),
                        "steps on the faces to the long side",
                        other,
                        "smooth on both"));
                all.add(new Happening.QuirkNoted(
                        days.before(FOUND_DAYS_AGO),
                        "keeper",
                        m.getKey(),
                        "quirk-smoothing-axis",
                        "It smooths edges on one axis only",
                        "Turn parts with plain faces by 45°."));
            }
            if (!NOTHING_NOTED.contains(m.getKey()) && m.getValue().quirks().glitchesOnGreys()) {
                all.add(new Happening.QuirkNoted(
                        days.before(FOUND_DAYS_AGO - 9),
                        "keeper",
                        m.getKey(),
                        "quirk-grey-rows",
                        "It stumbles over long rows of grey pixels",
                        "Turn the part by 45°, or smoothing one step lower."));
            }
        }
        return all;
    }
}
