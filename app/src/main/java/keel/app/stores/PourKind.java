package keel.app.stores;

/** What a pour was. */
public enum PourKind {
    POUR("poured"),
    TOP_UP("topped up"),
    RETURN("returned to the bottle"),
    SIEVE("sieved");

    private final String words;

    PourKind(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
