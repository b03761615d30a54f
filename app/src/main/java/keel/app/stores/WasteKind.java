package keel.app.stores;

/** What is waste in a resin shop. */
public enum WasteKind {
    GLOVES_TOWELS(
            "gloves and towels",
            false,
            "Let what clings air outdoors, away from lamp and flame, until no alcohol is left; then cure it. "
                    + "Wet ones wait in a metal bin with a lid."),
    FILTERS(
            "filters, sieves",
            false,
            "Let them air outdoors, then cure them right through. What hangs in them tells what broke: look "
                    + "first."),
    SUPPORTS(
            "supports and failed prints",
            false,
            "Washed ones dry, then cure; unwashed ones air outdoors first. Sun or lamp, whichever your shop "
                    + "keeps to."),
    LEFTOVER_RESIN(
            "leftover resin",
            true,
            "In thin layers, in the open, under a lamp or in the sun with the lid loose: a deep one gets "
                    + "hot. Or hand it in liquid."),
    DIRTY_ALCOHOL(
            "dirty alcohol",
            true,
            "Let it settle in the dark, decant the clear part and use it for the first bath; hand in the "
                    + "rest. It is never evaporated to be rid of it."),
    RINSE_WATER(
            "rinse water",
            true,
            "Water that resin was washed in is resin waste: it goes in no drain. Let it settle in the light, "
                    + "filter, hand in what is left."),
    EMPTY_BOTTLE(
            "empty bottle", false, "Drained, lid off in the light until nothing is tacky; then as your rules say."),
    FILM_TANK("film, tank", false, "Cured on both sides, nothing tacky."),
    OTHER("other", false, "");

    private final String words;
    private final boolean liquid;
    private final String how;

    WasteKind(String words, boolean liquid, String how) {
        this.words = words;
        this.liquid = liquid;
        this.how = how;
    }

    public String words() {
        return words;
    }

    public boolean liquid() {
        return liquid;
    }

    /** What is done with it while it is raw; common practice, local rules go before. Empty for anything else. */
    public String how() {
        return how;
    }

    /** In which it is written down. */
    public String unit() {
        return liquid ? "ml" : this == GLOVES_TOWELS || this == SUPPORTS ? "bags" : "pieces";
    }
}
