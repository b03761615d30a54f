package keel.core.preflight;

/**
 * The picture of a layer.
 *
 * @param grey 0 to 255, row by row from the back left
 */
public record LayerPixels(int width, int height, byte[] grey) {

    static final int WHITE = 255;

    /** From here on a pixel is lit. */
    static final int LIT = 128;

    /** From here on something is there that the next layer can hang on. */
    static final int THERE = 64;

    int at(int x, int y) {
        return grey[y * width + x] & 255;
    }
}
