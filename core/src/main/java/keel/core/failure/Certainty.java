package keel.core.failure;

/** How sure the shop is of a cause. */
public enum Certainty {
    FOUND("Found"),
    PRESUMED("Presumed"),
    UNKNOWN("Unknown");

    private final String words;

    Certainty(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
