package keel.core.screen;

/**
 * A picture that asks more of a controller with each level: in its back half twice as many changes from dark to lit in
 * a row, in its front half twice as many grey pixels, up to the whole row. Its number stands in the middle. The corner
 * marks are those of the test pictures.
 *
 * @param level from 1
 */
public record HarderPicture(TestPicture base, int level, int levels) {

    private static final int NUMBER_SHARE = 5;

    /** @throws IllegalArgumentException if the level is not one of them */
    public HarderPicture {
        if (level < 1 || level > levels) {
            throw new IllegalArgumentException("Level " + level + " of " + levels + " does not exist.");
        }
    }

    /** Grey of a pixel, from 0, dark, to 255, lit. */
    public int grey(int x, int y) {
        if (base.covers(x, y)) {
            return base.grey(x, y);
        }
        int square = Math.min(base.pixelsX(), base.pixelsY()) / NUMBER_SHARE;
        int inX = x - base.pixelsX() / 2 + square / 2;
        int inY = y - base.pixelsY() / 2 + square / 2;
        if (inX >= 0 && inX < square && inY >= 0 && inY < square) {
            return GridNumbers.large(level, inX, inY, square) ? 0 : 255;
        }
        return y < base.pixelsY() / 2 ? stripes(x) : greys(x, y);
    }

    /** So many stripes by turns lit and dark, twice as many from level to level, one pixel wide at the last. */
    static int stripes(int level, int pixelsX) {
        return (int) Math.min(pixelsX, 1L << level);
    }

    private int stripes(int x) {
        return (long) x * stripes(level, base.pixelsX()) / base.pixelsX() % 2 == 0 ? 255 : 0;
    }

    /** So many pixels of a row are grey, no two neighbours alike; the rest is lit. */
    private int greys(int x, int y) {
        double share = Math.pow(2, level - levels);
        return x < share * base.pixelsX() ? 1 + (x * 37 + y * 11) % 254 : 255;
    }
}
