package keel.core.preflight;

import java.util.Arrays;

/**
 * How far each pixel of a layer lies from the nearest of a mask, in pixels; in steps of one along rows and columns and
 * of four thirds across corners (G. Borgefors, Computer Vision, Graphics and Image Processing 34, 1986), which is at
 * most eight in a hundred off.
 */
final class Distances {

    private static final int STRAIGHT = 3;
    private static final int CORNER = 4;
    private static final int FAR = Integer.MAX_VALUE / 2;

    private final int width;
    private final int[] thirds;

    /** @param padded whether what lies beyond the picture belongs to the mask */
    Distances(Bits mask, boolean padded) {
        int height = mask.height;
        this.width = mask.width;
        this.thirds = new int[width * height];
        Arrays.fill(thirds, FAR);
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                boolean edge = padded && (x == 0 || y == 0 || x == width - 1 || y == height - 1);
                if (mask.in(x, y)) {
                    thirds[y * width + x] = 0;
                } else if (edge) {
                    thirds[y * width + x] = STRAIGHT;
                }
            }
        }
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int i = y * width + x;
                int d = thirds[i];
                d = x > 0 ? Math.min(d, thirds[i - 1] + STRAIGHT) : d;
                if (y > 0) {
                    d = Math.min(d, thirds[i - width] + STRAIGHT);
                    d = x > 0 ? Math.min(d, thirds[i - width - 1] + CORNER) : d;
                    d = x < width - 1 ? Math.min(d, thirds[i - width + 1] + CORNER) : d;
                }
                thirds[i] = d;
            }
        }
        for (int y = height - 1; y >= 0; y--) {
            for (int x = width - 1; x >= 0; x--) {
                int i = y * width + x;
                int d = thirds[i];
                d = x < width - 1 ? Math.min(d, thirds[i + 1] + STRAIGHT) : d;
                if (y < height - 1) {
                    d = Math.min(d, thirds[i + width] + STRAIGHT);
                    d = x < width - 1 ? Math.min(d, thirds[i + width + 1] + CORNER) : d;
                    d = x > 0 ? Math.min(d, thirds[i + width - 1] + CORNER) : d;
                }
                thirds[i] = d;
            }
        }
    }

    double at(int x, int y) {
        return thirds[y * width + x] / (double) STRAIGHT;
    }
}
