package keel.core.preflight;

/** Which pixels of a layer belong to something, 64 in a word. */
final class Bits {

    private static final int WORD = 64;
    /** Squares and diamonds together make an octagon as large as a disc of radius 1. */
    private static final double DIAGONAL_SHARE = Math.sqrt(2) - 1;

    final int width;
    final int height;
    final int stride;
    final long[] words;

    Bits(int width, int height) {
        this.width = width;
        this.height = height;
        this.stride = (width + WORD - 1) / WORD;
        this.words = new long[stride * height];
    }

    /** The pixels that are at least so bright. */
    static Bits of(LayerPixels pixels, int least) {
        Bits bits = new Bits(pixels.width(), pixels.height());
        byte[] grey = pixels.grey();
        int at = 0;
        for (int y = 0; y < bits.height; y++) {
            int word = y * bits.stride;
            for (int x = 0; x < bits.width; x += WORD) {
                int n = Math.min(WORD, bits.width - x);
                long w = 0;
                for (int i = 0; i < n; i++) {
                    w |= (grey[at++] & 255) >= least ? 1L << i : 0;
                }
                bits.words[word++] = w;
            }
        }
        return bits;
    }

    boolean in(int x, int y) {
        return (words[y * stride + (x >> 6)] >>> x & 1) != 0;
    }

    void set(int x, int y) {
        words[y * stride + (x >> 6)] |= 1L << x;
    }

    /** All others. */
    Bits others() {
        Bits others = new Bits(width, height);
        int spare = stride * WORD - width;
        for (int i = 0; i < words.length; i++) {
            long whole = (i + 1) % stride == 0 ? -1L >>> spare : -1L;
            others.words[i] = ~words[i] & whole;
        }
        return others;
    }

    /** Those that belong to both. */
    Bits and(Bits other) {
        Bits both = new Bits(width, height);
        for (int i = 0; i < words.length; i++) {
            both.words[i] = words[i] & other.words[i];
        }
        return both;
    }

    /** Grown by an octagon that is as large as a disc. */
    Bits grown(double radius) {
        int all = (int) radius;
        int squares = (int) Math.round(DIAGONAL_SHARE * all);
        Bits grown = this;
        for (int i = 0; i < all; i++) {
            grown = grown.grown(i < squares);
        }
        return grown;
    }

    /** By a pixel, across corners too or not. */
    private Bits grown(boolean corners) {
        Bits along = new Bits(width, height);
        int spare = stride * WORD - width;
        for (int y = 0; y < height; y++) {
            int row = y * stride;
            for (int i = 0; i < stride; i++) {
                long w = words[row + i];
                long before = i > 0 ? words[row + i - 1] >>> WORD - 1 : 0;
                long after = i < stride - 1 ? words[row + i + 1] << WORD - 1 : 0;
                along.words[row + i] = w | w << 1 | w >>> 1 | before | after;
            }
            along.words[row + stride - 1] &= -1L >>> spare;
        }
        Bits beside = corners ? along : this;
        Bits grown = new Bits(width, height);
        for (int i = 0; i < words.length; i++) {
            long above = i >= stride ? beside.words[i - stride] : 0;
            long below = i + stride < words.length ? beside.words[i + stride] : 0;
            grown.words[i] = along.words[i] | above | below;
        }
        return grown;
    }

    /** From a place in a row on, the first pixel that belongs to it, or does not; the width where there is none. */
    int next(int x, int y, boolean in) {
        int at = x;
        while (at < width) {
            long w = words[y * stride + (at >> 6)];
            long rest = (in ? w : ~w) >>> at;
            if (rest != 0) {
                return Math.min(width, at + Long.numberOfTrailingZeros(rest));
            }
            at = (at | WORD - 1) + 1;
        }
        return width;
    }
}
