package keel.core.life;

import keel.core.wear.Usage;

/** What a part's life is counted by. */
public enum LifeClock {
    HOURS("print hours", "h"),
    UV_HOURS("UV hours", "UV h"),
    PEELS("thousand peels", "k peels");

    private final String words;
    private final String unit;

    LifeClock(String words, String unit) {
        this.words = words;
        this.unit = unit;
    }

    /** What a usage comes to on this clock. */
    public double of(Usage usage) {
        return switch (this) {
            case HOURS -> usage.hours();
            case UV_HOURS -> usage.uvHours();
            case PEELS -> usage.layers() / 1000.0;
        };
    }

    public String words() {
        return words;
    }

    public String unit() {
        return unit;
    }
}
