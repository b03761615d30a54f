package keel.app.problems;

/** What a photo may be, said before it is decoded. */
public final class PhotoLimits {

    public static final long MOST_BYTES = 25L * 1024 * 1024;
    public static final long MOST_PIXELS = 60_000_000L;
    public static final String TOO_LARGE = "The photo is larger than 25 MB. Make it smaller or take it again at a lower setting; "
            + "everything else is kept.";

    private PhotoLimits() {}
}
