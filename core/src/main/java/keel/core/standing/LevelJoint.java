package keel.core.standing;

/** What holds a plate, and so how it is tightened. */
public enum LevelJoint {
    BALL("Ball joint"),
    BOLTS_3("Three bolts"),
    BOLTS_4("Four bolts");

    private final String words;

    LevelJoint(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
