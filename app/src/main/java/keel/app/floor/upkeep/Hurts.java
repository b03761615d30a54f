package keel.app.floor.upkeep;

/** How much it hurts that something waits. */
public enum Hurts {
    LITTLE("little"),
    SOME("some"),
    MUCH("much");

    private final String words;

    Hurts(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
