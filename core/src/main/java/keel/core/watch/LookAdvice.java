package keel.core.watch;

/**
 * Whether a print goes on after what was seen at a look-in. Common practice, no published source: nothing is stopped on
 * a hunch; one part of several may fail while the others finish, unless something loose could be pressed into the film.
 *
 * @param text why, and what next, in a sentence or two
 */
public record LookAdvice(Action action, String text) {

    /** What to do with the print. */
    public enum Action {
        RUN_ON("Let it run"),
        COMPARE("Compare first"),
        STOP("Stop it");

        private final String words;

        Action(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What somebody saw. */
    public enum Seen {
        AS_IT_SHOULD("As it should be"),
        ONE_PART_FAILED("One part of several failed"),
        NOTHING("Nothing hangs on the plate"),
        SLAB("A slab: the whole area cures"),
        OTHER_PICTURE("Another picture than expected"),
        CANNOT_TELL("Cannot tell");

        private final String words;

        Seen(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /**
     * @param somethingLoose whether something loose is in the vat or hangs by a thread; asked where one part failed
     * @param outOfResin whether the print should stand out of the resin by now, null if not known
     */
    public static LookAdvice of(Seen seen, boolean somethingLoose, Boolean outOfResin) {
        return switch (seen) {
            case AS_IT_SHOULD -> new LookAdvice(Action.RUN_ON, "As it should be.");
            case ONE_PART_FAILED ->
                somethingLoose
                        ? new LookAdvice(
                                Action.STOP,
                                "What is loose is pressed into the film at the next layer, and then into the "
                                        + "screen. Stop, then clean up.")
                        : new LookAdvice(
                                Action.RUN_ON,
                                "Nothing loose is left, so let the others finish. Look again within the hour, and "
                                        + "reprint only what failed.");
            case NOTHING ->
                outOfResin == null || outOfResin
                        ? new LookAdvice(Action.STOP, "Everything it cures now stays on the film. Stop, then clean up.")
                        : new LookAdvice(
                                Action.COMPARE,
                                "It is too early: the part is not out of the resin yet. Pause at the top if the "
                                        + "machine can, and look at the plate itself.");
            case SLAB ->
                new LookAdvice(
                        Action.STOP,
                        "Every further layer makes the slab thicker and harder to get out. Stop now; the file or "
                                + "the stick is at fault.");
            case OTHER_PICTURE ->
                new LookAdvice(
                        Action.COMPARE,
                        "Page the sliced file to this layer before you stop anything: it may be as drawn. If it is "
                                + "not, stop; the file or the stick is at fault.");
            case CANNOT_TELL ->
                new LookAdvice(
                        Action.RUN_ON,
                        "Do not stop it on a hunch. Look again when more of it stands out of the resin.");
        };
    }
}
