package keel.core.screen;

/** What a test picture shows besides its corner marks. */
public enum TestPattern {
    WHITE("All white"),
    BLACK("All black"),
    GRID("Numbered grid"),
    CHECKER("Checkerboard"),
    LINES_X("Fine lines along x"),
    LINES_Y("Fine lines along y"),
    RAMP_X("Grey ramp along x"),
    RAMP_Y("Grey ramp along y");

    private final String words;

    TestPattern(String words) {
        this.words = words;
    }

    /**
     * Whether such a spot can be seen on it: one that stays dark only where light is shown, one that stays lit only
     * where dark is.
     */
    public boolean shows(ScreenInspection.SpotKind kind) {
        return switch (kind) {
            case DARK, DIM -> this != BLACK;
            case LIT -> this != WHITE;
            case LINE -> true;
        };
    }

    public String words() {
        return words;
    }

    /** What a photograph of it is good for, in a sentence. */
    public String use() {
        return switch (this) {
            case WHITE -> "It shows what stays dark, and regions with less light.";
            case BLACK -> "It shows what stays lit.";
            case GRID ->
                "A grid tells where on the screen something is; spots on its lines are not seen. For spots show "
                        + "all white, then all black.";
            case CHECKER ->
                "A checkerboard tells how sharp the light is; spots near the edges of its fields are not "
                        + "seen. For spots show all white, then all black.";
            case LINES_X, LINES_Y ->
                "Fine lines tell whether single rows of pixels come through; spots below a "
                        + "millimetre are not seen. For spots show all white, then all black.";
            case RAMP_X, RAMP_Y ->
                "A ramp tells how many greys the screen tells apart; spots in its dark part are not "
                        + "seen. For spots show all white, then all black.";
        };
    }
}
