package keel.core.life;

/** What a part's life is counted by. */
public enum LifeClock {
    HOURS("print hours", "h"), UV_HOURS("UV hours", "UV h"), PEELS("thousand peels", "k peels");

    private final String words;
    private final String unit;

    LifeClock(String words, String unit) {
        this.words = words;
        this.unit = unit;
    }

    public String words() {
        return words;
    }

    public String unit() {
        return unit;
    }
}
