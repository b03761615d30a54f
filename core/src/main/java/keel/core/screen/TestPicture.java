package keel.core.screen;

import java.util.List;

/**
 * A picture to show on a screen, pixel by pixel, with its corner marks. Greys from 0, dark, to 255, lit; x from the
 * left, y from the top; its bottom left is the front left of the plate.
 */
public final class TestPicture {

    public static final int LEAST_PX = 320;
    public static final int MOST_PX = 20_000;

    private static final int GRID_PX = 200;
    private static final int GRID_LINE_PX = 4;
    private static final int CHECKER_PX = 100;
    static final int LINES_PX = 4;

    private final TestPattern pattern;
    private final CornerMarks marks;
    private final List<CornerMarks.Mark> drawn;
    private final GridNumbers numbers;

    private TestPicture(TestPattern pattern, CornerMarks marks) {
        this.pattern = pattern;
        this.marks = marks;
        this.drawn = marks.marks();
        this.numbers = new GridNumbers(GRID_PX);
    }

    /** @throws IllegalArgumentException with a sentence, if there are too few pixels or too many */
    public static TestPicture of(TestPattern pattern, int pixelsX, int pixelsY) {
        if (pixelsX < LEAST_PX || pixelsY < LEAST_PX || pixelsX > MOST_PX || pixelsY > MOST_PX) {
            throw new IllegalArgumentException("A screen has " + LEAST_PX + " to " + MOST_PX + " pixels each way: "
                    + pixelsX + " × " + pixelsY + ".");
        }
        return new TestPicture(pattern, CornerMarks.of(pixelsX, pixelsY));
    }

    public int pixelsX() {
        return marks.pixelsX();
    }

    public int pixelsY() {
        return marks.pixelsY();
    }

    public TestPattern pattern() {
        return pattern;
    }

    CornerMarks marks() {
        return marks;
    }

    List<CornerMarks.Mark> drawnMarks() {
        return drawn;
    }

    /** Whether a pixel belongs to a corner mark or the white around it. */
    boolean covers(int x, int y) {
        return marks.covers(x, y);
    }

    /** Grey of a pixel of the picture. */
    public int grey(int x, int y) {
        return marks.covers(x, y) ? markGrey(x, y) : shown(x, y);
    }

    private int markGrey(int x, int y) {
        for (CornerMarks.Mark m : drawn) {
            int inX = x - m.x();
            int inY = y - m.y();
            if (inX >= 0 && inY >= 0 && inX < marks.sizePx() && inY < marks.sizePx()) {
                return m.grey()[inY][inX];
            }
        }
        return 255;
    }

    private int shown(int x, int y) {
        return switch (pattern) {
            case WHITE -> 255;
            case BLACK -> 0;
            case GRID -> x % GRID_PX < GRID_LINE_PX || y % GRID_PX < GRID_LINE_PX || numbers.dark(x, y) ? 0 : 255;
            case CHECKER -> (x / CHECKER_PX + y / CHECKER_PX) % 2 == 0 ? 255 : 0;
            case LINES_X -> y / LINES_PX % 2 == 0 ? 255 : 0;
            case LINES_Y -> x / LINES_PX % 2 == 0 ? 255 : 0;
            case RAMP_X -> (int) Math.round(255.0 * x / (pixelsX() - 1));
            case RAMP_Y -> (int) Math.round(255.0 * (pixelsY() - 1 - y) / (pixelsY() - 1));
        };
    }
}
