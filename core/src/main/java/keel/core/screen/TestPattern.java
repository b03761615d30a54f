package keel.core.screen;

/** What a test picture shows besides its corner marks. */
public enum TestPattern {
    WHITE("All white"), BLACK("All black"), GRID("A numbered grid every two hundred pixels"), CHECKER("A checkerboard"), LINES_X("Fine lines along x"), LINES_Y("Fine lines along y"),
    RAMP_X("A grey ramp along x"), RAMP_Y("A grey ramp along y");

    private final String words;

    TestPattern(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
