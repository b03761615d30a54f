package keel.core.condition;

/** What is best done with a part. Hours alone never say more than that somebody should look. */
public enum Advice {
    KEEP("Keep it"),
    LOOK_FIRST("Look at it first"),
    CHANGE_AFTER("Change it after this job"),
    CHANGE_BEFORE("Change it before this job");

    private final String words;

    Advice(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /**
     * @param fails chance that the part spoils or ends the job
     * @param seen whether that is known from a look that is not overdue
     * @param lookDue whether its next look is due
     * @param agedUnseen whether it is at the age at which such parts are changed, and nobody looked
     * @param watch chance above which a part is watched, {@code due} above which it is changed first
     */
    public static Advice of(double fails, boolean seen, boolean lookDue, boolean agedUnseen, double watch, double due) {
        if (fails > watch && seen) {
            return fails > due ? CHANGE_BEFORE : CHANGE_AFTER;
        }
        return fails > watch || lookDue || agedUnseen ? LOOK_FIRST : KEEP;
    }
}
