package keel.core.screen;

/** Numbers in the cells of a grid, counted along each way: digits of seven strokes, so that no font is needed. */
final class GridNumbers {

    private static final int DIGIT_W = 10;
    private static final int DIGIT_H = 18;
    private static final int STROKE = 3;
    private static final int GAP = 4;
    private static final int INSET = 14;
    /** Strokes of each digit: top, upper left, upper right, middle, lower left, lower right, bottom. */
    private static final int[] STROKES = {
        0b1110111, 0b0010010, 0b1011101, 0b1011011, 0b0111010, 0b1101011, 0b1101111, 0b1010010, 0b1111111, 0b1111011
    };

    private final int cellPx;

    GridNumbers(int cellPx) {
        this.cellPx = cellPx;
    }

    /** Whether a pixel lies on a digit: the column above, the row below it. */
    boolean dark(int x, int y) {
        int inX = x % cellPx - INSET;
        int inY = y % cellPx - INSET;
        if (inX < 0 || inY < 0) {
            return false;
        }
        return number(x / cellPx, inX, inY) || number(y / cellPx, inX, inY - DIGIT_H - 2 * GAP);
    }

    /** Whether a pixel of a square lies on a number that fills most of it. */
    static boolean large(int value, int x, int y, int square) {
        String digits = Integer.toString(value);
        int scale = Math.max(1, square / (4 + digits.length() * (DIGIT_W + GAP)));
        int inX = (x - (square - scale * (digits.length() * (DIGIT_W + GAP) - GAP)) / 2) / scale;
        int inY = (y - (square - scale * DIGIT_H) / 2) / scale;
        return x >= (square - scale * (digits.length() * (DIGIT_W + GAP) - GAP)) / 2
                && number(value, inX, inY)
                && y >= (square - scale * DIGIT_H) / 2;
    }

    private static boolean number(int value, int x, int y) {
        if (y < 0 || y >= DIGIT_H) {
            return false;
        }
        String digits = Integer.toString(value);
        int place = x / (DIGIT_W + GAP);
        int inX = x % (DIGIT_W + GAP);
        return place < digits.length() && inX < DIGIT_W && digit(digits.charAt(place) - '0', inX, y);
    }

    private static boolean digit(int digit, int x, int y) {
        int strokes = STROKES[digit];
        boolean left = x < STROKE;
        boolean right = x >= DIGIT_W - STROKE;
        boolean upper = y < DIGIT_H / 2 + 1;
        boolean lower = y >= DIGIT_H / 2 - 1;
        boolean middle = Math.abs(y - DIGIT_H / 2) <= STROKE / 2;
        return y < STROKE && has(strokes, 6)
                || left && upper && has(strokes, 5)
                || right && upper && has(strokes, 4)
                || middle && has(strokes, 3)
                || left && lower && has(strokes, 2)
                || right && lower && has(strokes, 1)
                || y >= DIGIT_H - STROKE && has(strokes, 0);
    }

    private static boolean has(int strokes, int bit) {
        return (strokes >> bit & 1) == 1;
    }
}
