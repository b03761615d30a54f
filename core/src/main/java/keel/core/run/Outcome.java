package keel.core.run;

/** How a run ended. */
public enum Outcome {
    GOOD("Good"),
    PARTIAL("Some parts good"),
    FAILED("Failed"),
    STOPPED("Stopped by hand"),
    USABLE("Usable after rework");

    private final String words;

    Outcome(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Whether something went wrong that may have a cause worth finding. */
    public boolean wentWrong() {
        return this != GOOD;
    }
}
