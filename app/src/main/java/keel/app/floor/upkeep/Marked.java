package keel.app.floor.upkeep;

/** What is said of upkeep that is due: left out counts anew from then, as done does. */
public enum Marked {
    DONE("done"),
    SKIPPED("left out"),
    PUT_OFF("put off");

    private final String words;

    Marked(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
