package keel.core.screen;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.function.IntPredicate;

/** Samples of a straightened photograph that hang together. */
final class Region {

    private static final double BOX = 0.88;
    private static final double LONG = 1.4;
    private static final double THIN_MM = 1;
    private static final double LEAST_LENGTH_MM = 6;
    private static final double SLENDER = 8;
    private static final double CORNER_MM = 1;

    private final Straightened s;
    private final int[] cells;
    private double sumX;
    private double sumY;
    private int left = Integer.MAX_VALUE;
    private int right = -1;
    private int front = Integer.MAX_VALUE;
    private int back = -1;

    private Region(Straightened s, int[] cells) {
        this.s = s;
        this.cells = cells;
        for (int i : cells) {
            int column = i % s.across();
            int row = i / s.across();
            sumX += (column + 0.5) * s.stepX();
            sumY += (row + 0.5) * s.stepY();
            left = Math.min(left, column);
            right = Math.max(right, column);
            front = Math.min(front, row);
            back = Math.max(back, row);
        }
    }

    /** All of the samples that are {@code in} and not yet taken, as they hang together. */
    static List<Region> all(Straightened s, BitSet taken, IntPredicate in) {
        int count = s.across() * s.deep();
        BitSet left = new BitSet(count);
        for (int i = 0; i < count; i++) {
            left.set(i, !taken.get(i) && in.test(i));
        }
        return split(s, left);
    }

    /** Parts of a region. */
    static List<Region> of(Straightened s, Region of, IntPredicate in) {
        BitSet left = new BitSet();
        Arrays.stream(of.cells).filter(in).forEach(left::set);
        return split(s, left);
    }

    private static List<Region> split(Straightened s, BitSet left) {
        List<Region> regions = new ArrayList<>();
        for (int from = left.nextSetBit(0); from >= 0; from = left.nextSetBit(from + 1)) {
            regions.add(new Region(s, around(s, left, from)));
        }
        return regions;
    }

    private static int[] around(Straightened s, BitSet left, int from) {
        ArrayDeque<Integer> open = new ArrayDeque<>(List.of(from));
        int[] cells = new int[64];
        int n = 0;
        left.clear(from);
        while (!open.isEmpty()) {
            int i = open.poll();
            if (n == cells.length) {
                cells = Arrays.copyOf(cells, 2 * n);
            }
            cells[n++] = i;
            int row = i / s.across();
            int column = i % s.across();
            for (int r = Math.max(0, row - 1); r <= Math.min(s.deep() - 1, row + 1); r++) {
                for (int c = Math.max(0, column - 1); c <= Math.min(s.across() - 1, column + 1); c++) {
                    int k = r * s.across() + c;
                    if (left.get(k)) {
                        left.clear(k);
                        open.add(k);
                    }
                }
            }
        }
        return Arrays.copyOf(cells, n);
    }

    Region where(IntPredicate in) {
        return new Region(s, Arrays.stream(cells).filter(in).toArray());
    }

    void take(BitSet taken) {
        for (int i : cells) {
            taken.set(i);
        }
    }

    int[] cells() {
        return cells;
    }

    double areaMm2() {
        return cells.length * s.stepX() * s.stepY();
    }

    /** Diameter of a round of its area. */
    double sizeMm() {
        return 2 * Math.sqrt(areaMm2() / Math.PI);
    }

    double x() {
        return sumX / cells.length;
    }

    double y() {
        return sumY / cells.length;
    }

    double acrossMm() {
        return (right - left + 1) * s.stepX();
    }

    double deepMm() {
        return (back - front + 1) * s.stepY();
    }

    double middleX() {
        return (left + right + 1) / 2.0 * s.stepX();
    }

    double middleY() {
        return (front + back + 1) / 2.0 * s.stepY();
    }

    /** Nearer to a rectangle than to a round. */
    boolean boxLike() {
        return areaMm2() > BOX * acrossMm() * deepMm()
                || Math.max(acrossMm(), deepMm()) > LONG * Math.min(acrossMm(), deepMm());
    }

    /** Long and thin, whichever way it winds. */
    boolean thin() {
        double length = Math.hypot(acrossMm(), deepMm());
        double width = areaMm2() / length;
        return length >= LEAST_LENGTH_MM && width < THIN_MM && length > SLENDER * width;
    }

    /** Its deviation, so that {@code share} of its samples deviate less. */
    double depth(Deviations off, int sign, double share) {
        Samples values = new Samples();
        for (int i : cells) {
            values.add(sign * off.at(i));
        }
        return values.quantile(share);
    }

    /** Whether it reaches the place of a mark in a corner of the screen. */
    boolean reaches(PictureToPhoto.Corner c) {
        double reachX = c.reachX() * s.across() + CORNER_MM / s.stepX();
        double reachY = c.reachY() * s.deep() + CORNER_MM / s.stepY();
        return (c.right() ? right >= s.across() - reachX : left <= reachX)
                && (c.back() ? back >= s.deep() - reachY : front <= reachY);
    }
}
