package keel.core.life;

/** By what a shop changes parts before they end: three schools. */
public enum ChangeSchool {
    RECORDS(
            "By what the records say",
            "at the age that proves cheapest here, its own included; at its own while too few have ended to tell"),
    FIXED_AGE("At a fixed age", "at the age that stands under Set-up, whatever it looks like"),
    SIGNS("On signs only", "when it looks or sounds bad, or fails");

    private final String words;
    private final String means;

    ChangeSchool(String words, String means) {
        this.words = words;
        this.means = means;
    }

    public String words() {
        return words;
    }

    public String means() {
        return means;
    }
}
