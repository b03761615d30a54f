package keel.app.floor.patterns;

/** What can be said of a pattern. */
public enum Verdict {
    SEEN("Seen"),
    WATCH("Watched"),
    DONE("Something was done"),
    NOT_SO("Not so"),
    OPEN("Open");

    private final String words;

    Verdict(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether why has to be said. */
    boolean wantsReason() {
        return this == NOT_SO || this == DONE;
    }
}
