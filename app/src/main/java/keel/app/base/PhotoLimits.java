package keel.app.base;

/** What a photo may be, said before it is decoded. */
public final class PhotoLimits {

    public static final long MOST_BYTES = 25L * 1024 * 1024;
    public static final long MOST_PIXELS = 60_000_000L;
    public static final String TOO_LARGE =
            "The file is larger than 25 MB (a sliced file: 1000 MB). A photo: take it again at a lower setting. "
                    + "A recording: a few seconds are enough. Everything else is kept.";

    private PhotoLimits() {}
}
