package keel.app.prints;

/** How a shop comes to the settings of a resin on a machine. */
public enum School {
    MAKER("Maker's values first", "Leave them alone until prints succeed; then change one thing at a time."),
    CALIBRATE(
            "Calibrate the pair",
            "Thickness test and first-layer test before the first job, 15 to 60 minutes; again when the resin "
                    + "changes.");

    private final String words;
    private final String how;

    School(String words, String how) {
        this.words = words;
        this.how = how;
    }

    public String words() {
        return words;
    }

    public String how() {
        return how;
    }
}
