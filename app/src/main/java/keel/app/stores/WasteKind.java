package keel.app.stores;

/** What is waste in a resin shop. */
public enum WasteKind {
    GLOVES_TOWELS("gloves and towels", false),
    FILTERS("filters, sieves", false),
    SUPPORTS("supports and failed prints", false),
    LEFTOVER_RESIN("leftover resin", true),
    DIRTY_ALCOHOL("dirty alcohol", true),
    RINSE_WATER("rinse water", true),
    EMPTY_BOTTLE("empty bottle", false),
    FILM_TANK("film, tank", false),
    OTHER("other", false);

    private final String words;
    private final boolean liquid;

    WasteKind(String words, boolean liquid) {
        this.words = words;
        this.liquid = liquid;
    }

    public String words() {
        return words;
    }

    public boolean liquid() {
        return liquid;
    }

    /** In which it is written down. */
    public String unit() {
        return liquid ? "ml" : this == GLOVES_TOWELS || this == SUPPORTS ? "bags" : "pieces";
    }
}
