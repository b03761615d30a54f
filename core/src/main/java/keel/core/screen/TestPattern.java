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
        return this != (kind == ScreenInspection.SpotKind.DARK ? BLACK : WHITE);
    }

    public String words() {
        return words;
    }
}
