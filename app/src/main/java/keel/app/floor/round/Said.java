package keel.app.floor.round;

import java.util.Arrays;
import java.util.List;

/** What is said about a chore: somebody does it, or why it is not for now. */
public enum Said {
    MINE("mine"),
    /** It teaches what such work costs while it waits; the others do not. */
    CAN_WAIT("it can wait"),
    NO_TIME("no time for it now"),
    MISSING("something for it is missing");

    private final String words;

    Said(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** The reasons to put something off. */
    public static List<Said> reasons() {
        return Arrays.stream(values()).filter(s -> s != MINE).toList();
    }
}
