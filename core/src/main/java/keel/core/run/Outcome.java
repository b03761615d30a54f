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

    /**
     * Whether there is something to show for it: GOOD and USABLE came out, PARTIAL, FAILED and STOPPED did not. The one
     * meaning of success, for rates, fits, advice and what a fix is judged by. Common practice, no source.
     */
    public boolean cameOut() {
        return this == GOOD || this == USABLE;
    }

    /** Whether something went wrong that may have a cause worth finding: also where the part could be saved. */
    public boolean wentWrong() {
        return this != GOOD;
    }
}
