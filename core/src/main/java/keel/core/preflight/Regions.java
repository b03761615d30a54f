package keel.core.preflight;

import java.util.Arrays;
import java.util.function.IntPredicate;

/** Connected regions of one layer, as runs of pixels in its rows. */
final class Regions {

    /** Takes a pixel. */
    interface Pixel {
        void at(int x, int y);
    }

    /** Takes a pixel and the region that it belongs to. */
    interface PixelOf {
        void at(int region, int x, int y);
    }

    /** Takes pixels side by side in a row. */
    interface Run {
        void at(int y, int from, int to);
    }

    /** Two runs that touch, by their numbers, and how many pixels lie one over the other. */
    interface Touch {
        void between(int run, int other, int pixels);
    }

    final int width;
    final int height;
    private final int[] rowStart;
    private int[] from = new int[256];
    private int[] to = new int[256];
    private final int[] region;
    private int runs;
    private int count;
    long[] area = new long[0];
    private double[] sumX = new double[0];
    private double[] sumY = new double[0];
    boolean[] rim = new boolean[0];

    /** @param diagonal whether pixels that touch at a corner only belong together */
    Regions(Bits bits, boolean diagonal) {
        this.width = bits.width;
        this.height = bits.height;
        this.rowStart = new int[height + 1];
        for (int y = 0; y < height; y++) {
            rowStart[y] = runs;
            for (int x = bits.next(0, y, true); x < width; x = bits.next(x, y, true)) {
                int end = bits.next(x, y, false);
                add(x, end);
                x = end;
            }
        }
        rowStart[height] = runs;
        region = new int[runs];
        label(diagonal ? 1 : 0);
        measure();
    }

    private void add(int start, int end) {
        if (runs == from.length) {
            from = Arrays.copyOf(from, 2 * runs);
            to = Arrays.copyOf(to, 2 * runs);
        }
        from[runs] = start;
        to[runs++] = end;
    }

    private void label(int reach) {
        int[] parent = new int[runs];
        Arrays.setAll(parent, i -> i);
        for (int y = 1; y < height; y++) {
            overlaps(this, y, this, y - 1, reach, (a, b, pixels) -> parent[root(parent, a)] = root(parent, b));
        }
        int[] number = new int[runs];
        Arrays.fill(number, -1);
        for (int i = 0; i < runs; i++) {
            int root = root(parent, i);
            if (number[root] < 0) {
                number[root] = count++;
            }
            region[i] = number[root];
        }
    }

    private static int root(int[] parent, int i) {
        int at = i;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    private void measure() {
        area = new long[count];
        sumX = new double[count];
        sumY = new double[count];
        rim = new boolean[count];
        for (int y = 0; y < height; y++) {
            for (int i = rowStart[y]; i < rowStart[y + 1]; i++) {
                int r = region[i];
                int length = to[i] - from[i];
                area[r] += length;
                sumX[r] += length * (from[i] + to[i]) / 2.0;
                sumY[r] += length * (y + 0.5);
                rim[r] |= y == 0 || y == height - 1 || from[i] == 0 || to[i] == width;
            }
        }
    }

    private static void overlaps(Regions a, int rowA, Regions b, int rowB, int reach, Touch touch) {
        int i = a.rowStart[rowA];
        int k = b.rowStart[rowB];
        while (i < a.rowStart[rowA + 1] && k < b.rowStart[rowB + 1]) {
            if (a.from[i] < b.to[k] + reach && b.from[k] < a.to[i] + reach) {
                touch.between(i, k, Math.max(0, Math.min(a.to[i], b.to[k]) - Math.max(a.from[i], b.from[k])));
            }
            if (a.to[i] < b.to[k]) {
                i++;
            } else {
                k++;
            }
        }
    }

    /** Each region of this over each of another layer, pixel over pixel. */
    void over(Regions other, Touch regions) {
        for (int y = 0; y < height; y++) {
            overlaps(this, y, other, y, 0, (a, b, pixels) -> regions.between(region[a], other.region[b], pixels));
        }
    }

    /** The same where this layer is grown by a pixel each way; only pixels that lie over one another are counted. */
    void near(Regions other, Touch regions) {
        for (int y = 0; y < height; y++) {
            for (int row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++) {
                boolean same = row == y;
                overlaps(
                        this,
                        y,
                        other,
                        row,
                        1,
                        (a, b, pixels) -> regions.between(region[a], other.region[b], same ? pixels : 0));
            }
        }
    }

    int count() {
        return count;
    }

    double x(int r) {
        return sumX[r] / area[r];
    }

    double y(int r) {
        return sumY[r] / area[r];
    }

    long pixels() {
        return Arrays.stream(area).sum();
    }

    /** All that is there, row by row. */
    void runs(Run run) {
        for (int y = 0; y < height; y++) {
            for (int i = rowStart[y]; i < rowStart[y + 1]; i++) {
                run.at(y, from[i], to[i]);
            }
        }
    }

    /** The pixels of some regions one by one. */
    void each(IntPredicate regions, Pixel pixel) {
        eachOf(regions, (r, x, y) -> pixel.at(x, y));
    }

    /** The same with the region that each belongs to. */
    void eachOf(IntPredicate regions, PixelOf pixel) {
        for (int y = 0; y < height; y++) {
            for (int i = rowStart[y]; i < rowStart[y + 1]; i++) {
                if (regions.test(region[i])) {
                    for (int x = from[i]; x < to[i]; x++) {
                        pixel.at(region[i], x, y);
                    }
                }
            }
        }
    }
}
