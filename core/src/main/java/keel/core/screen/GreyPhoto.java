package keel.core.screen;

/** A photograph in greys, one byte a pixel, rows from the top. */
public record GreyPhoto(int width, int height, byte[] grey) {

    /** @throws IllegalArgumentException unless there is a byte for each pixel */
    public GreyPhoto {
        if (width < 1 || height < 1 || grey.length != width * height) {
            throw new IllegalArgumentException(
                    "A photograph of " + width + " × " + height + " has " + grey.length + " greys.");
        }
    }

    /** Between pixels; at the rim the nearest. */
    double at(double x, double y) {
        double cx = Math.max(0, Math.min(width - 1.001, x));
        double cy = Math.max(0, Math.min(height - 1.001, y));
        int ix = (int) cx;
        int iy = (int) cy;
        double fx = cx - ix;
        double fy = cy - iy;
        int i = iy * width + ix;
        double upper = (grey[i] & 0xff) * (1 - fx) + (grey[i + (width > 1 ? 1 : 0)] & 0xff) * fx;
        int j = i + (height > 1 ? width : 0);
        double lower = (grey[j] & 0xff) * (1 - fx) + (grey[j + (width > 1 ? 1 : 0)] & 0xff) * fx;
        return upper * (1 - fy) + lower * fy;
    }

    /** Whether a place lies on it. */
    boolean shows(double x, double y) {
        return x > -1 && y > -1 && x < width && y < height;
    }

    /** As in a mirror, left and right exchanged. */
    GreyPhoto mirrored() {
        byte[] turned = new byte[grey.length];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                turned[y * width + x] = grey[y * width + width - 1 - x];
            }
        }
        return new GreyPhoto(width, height, turned);
    }

    /** A half as large each way, for a quick look. */
    GreyPhoto half() {
        int w = width / 2;
        int h = height / 2;
        byte[] smaller = new byte[w * h];
        for (int y = 0; y < h; y++) {
            for (int x = 0; x < w; x++) {
                int i = 2 * y * width + 2 * x;
                smaller[y * w + x] = (byte) (((grey[i] & 0xff)
                                + (grey[i + 1] & 0xff)
                                + (grey[i + width] & 0xff)
                                + (grey[i + width + 1] & 0xff)
                                + 2)
                        / 4);
            }
        }
        return new GreyPhoto(w, h, smaller);
    }
}
