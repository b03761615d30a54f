package keel.core.run;

/** A number of a run that somebody may not know. */
public enum RunNumber {
    LAYERS("layers"),
    EXPOSURE("layer exposure"),
    RESIN("resin");

    private final String words;

    RunNumber(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
