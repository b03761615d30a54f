package keel.core.bolts;

/** How the bolts of a frame are gone through: each nearly opposite the last, or round and round. */
public enum School {
    STAR("Star: each nearly opposite the last"),
    CIRCULAR("Round and round");

    private final String words;

    School(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
