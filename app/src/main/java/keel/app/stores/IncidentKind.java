package keel.app.stores;

import java.util.List;

/**
 * What can happen with resin, alcohol and blades, and what is usually done at once. Common practice, no source; the
 * safety data sheet and the emergency services go before it.
 */
public enum IncidentKind {
    EYES(
            "in the eyes",
            List.of(
                    "Rinse at once with lukewarm water, lids held open, for 15 minutes. Contact lenses out.",
                    "Do not rub. Keep rinsing on the way to a doctor.",
                    "See an eye doctor in any case; take the safety sheet along.")),
    SKIN(
            "on the skin",
            List.of(
                    "Gloves and wet clothing off.",
                    "Wash with plenty of water and soap. No alcohol on skin: it carries resin in.",
                    "Keep the place out of sunlight until it is clean.",
                    "Redness, itching, blisters: a doctor. Once allergic, always allergic: no more contact.")),
    BREATHED(
            "breathed in",
            List.of(
                    "Out into fresh air, sit down. Windows open, ventilation on.",
                    "Headache or dizziness that stays, trouble with breathing: call the emergency number.",
                    "Nobody goes back in until the air is clear.")),
    SWALLOWED(
            "swallowed",
            List.of(
                    "Rinse the mouth. Do not make anybody vomit.",
                    "Call the poison centre or the emergency number with the safety sheet in hand.")),
    SPILL(
            "spilled",
            List.of(
                    "No flame, spark or switch near alcohol. Windows open, ventilation on.",
                    "Gloves and glasses on. Dam it and soak it up with towels or absorbent; off the screen first.",
                    "Wipe after with alcohol on a towel, away from hot things.",
                    "Towels are raw waste: cure them in the open or hand them in. Nothing down a drain.")),
    CUT(
            "cut, burn, UV",
            List.of(
                    "Resin out of the wound with water and soap, then press and cover. Deep or dirty: a doctor.",
                    "A burn: 10 minutes under cool running water.",
                    "Looked into a UV lamp, eyes hurt later: an eye doctor.")),
    FIRE(
            "fire",
            List.of(
                    "People out first, call the fire service.",
                    "Alcohol burns almost unseen. Small and on a dish: cover it. Never water on burning alcohol in "
                            + "a bath."));

    private final String words;
    private final List<String> measures;

    IncidentKind(String words, List<String> measures) {
        this.words = words;
        this.measures = measures;
    }

    public String words() {
        return words;
    }

    public List<String> measures() {
        return measures;
    }
}
