package keel.core.film;

/**
 * Which frame bolts to turn, from tone and evenness: what pulls along the length are the bolts of the two ends. Common
 * practice, no source.
 */
public enum TakeUp {
    NOTHING("Leave it.", "Tone and evenness are as they should be."),
    ALL("A little on every frame bolt, across and across.", "It is slack all round."),
    ENDS(
            "Take up at the two ends: the bolts of the left and right side, a little each, across.",
            "It is slacker along its length than across."),
    SIDES(
            "Take up at the long sides: the bolts of front and back, a little each, across.",
            "It is slacker across than along its length."),
    LET_GO(
            "Let every frame bolt go a little, across and across, and tap again.",
            "It is tighter than the reference; far too tight tears."),
    NOT_JUDGED(
            "Nothing says yet whether it is right.",
            "There is no reference to hold it against, or none at about this temperature. Beside a good film of "
                    + "this model the ear still tells."),
    TAP_AGAIN(
            "Tap again.",
            "There is no clear tone. Vat off and empty, free on both sides, held by its rim; quiet round about; a "
                    + "fingertip, not a nail.");

    private static final double EVEN_FROM = 0.9;
    private static final double EVEN_TO = 1 / EVEN_FROM;

    private final String words;
    private final String why;

    TakeUp(String words, String why) {
        this.words = words;
        this.why = why;
    }

    public String words() {
        return words;
    }

    public String why() {
        return why;
    }

    /**
     * @param verdict null where there was nothing to compare with
     * @param evenness tension along x over that along y, null if not known
     * @param longX whether x is the long side
     */
    public static TakeUp of(FilmTension.Verdict verdict, Double evenness, boolean longX) {
        if (verdict == FilmTension.Verdict.NO_TONE) {
            return TAP_AGAIN;
        }
        if (verdict == FilmTension.Verdict.TIGHT) {
            return LET_GO;
        }
        boolean even = evenness == null || evenness >= EVEN_FROM && evenness <= EVEN_TO;
        if (even) {
            return verdict == null ? NOT_JUDGED : verdict == FilmTension.Verdict.SLACK ? ALL : NOTHING;
        }
        return evenness < 1 == longX ? ENDS : SIDES;
    }
}
