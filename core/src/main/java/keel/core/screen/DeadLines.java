package keel.core.screen;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import keel.core.screen.ScreenInspection.Spot;
import keel.core.screen.Straightened.Shown;

/**
 * Lines from edge to edge, of dead rows or columns: too thin to stand out at any place, but seen in the mean along
 * them. A stripe counts where it is darker (or, on black, lighter) than both its sides in most of the pieces into which
 * it is cut.
 */
final class DeadLines {

    private static final double PIECE_MM = 6;
    private static final int NEAR = 5;
    private static final int FAR = 12;
    private static final double LEAST = 0.012;
    private static final double SPREADS = 7;
    private static final double LEAST_SHARE = 0.75;
    private static final double MOST_WIDE_MM = 3;
    private static final int BESIDE = 4;

    private final Straightened s;
    private final Deviations off;
    private final boolean deep;
    private final int sign;
    private final int lines;
    private final int along;
    private final int pieces;
    private final float[][] mean;
    private final double[] depth;

    private DeadLines(Straightened s, Deviations off, boolean deep, int sign) {
        this.s = s;
        this.off = off;
        this.deep = deep;
        this.sign = sign;
        this.lines = deep ? s.across() : s.deep();
        this.along = deep ? s.deep() : s.across();
        this.pieces = (int) Math.max(4, Math.round(along * (deep ? s.stepY() : s.stepX()) / PIECE_MM));
        this.mean = means();
        this.depth = new double[lines];
        for (int line = 0; line < lines; line++) {
            depth[line] = depth(line);
        }
    }

    /** A line and the samples it takes up: {@code from} to {@code to} across it. */
    record Line(Spot spot, int from, int to) {

        void take(Straightened s, BitSet taken) {
            for (int i = 0; i < s.across() * s.deep(); i++) {
                int at = spot.deep() ? i % s.across() : i / s.across();
                if (at >= from && at <= to) {
                    taken.set(i);
                }
            }
        }
    }

    static List<Line> of(Straightened s, Deviations off) {
        List<Line> found = new ArrayList<>();
        for (boolean deep : new boolean[] {true, false}) {
            found.addAll(new DeadLines(s, off, deep, -1).found());
            found.addAll(new DeadLines(s, off, deep, 1).found());
        }
        return found;
    }

    private int index(int line, int at) {
        return deep ? at * s.across() + line : line * s.across() + at;
    }

    /** Mean of each piece of each line, as it deviates to the side that is looked for; NaN where nothing was seen. */
    private float[][] means() {
        Shown wanted = sign < 0 ? Shown.LIT : Shown.DARK;
        float[][] means = new float[pieces][lines];
        for (int piece = 0; piece < pieces; piece++) {
            int from = piece * along / pieces;
            int to = (piece + 1) * along / pieces;
            for (int line = 0; line < lines; line++) {
                double sum = 0;
                int n = 0;
                for (int at = from; at < to; at++) {
                    int i = index(line, at);
                    if (off.shown(i) == wanted && !Float.isNaN(off.at(i))) {
                        sum += sign * off.at(i);
                        n++;
                    }
                }
                means[piece][line] = 4 * n >= to - from ? (float) (sum / n) : Float.NaN;
            }
        }
        return means;
    }

    /** How far a piece stands out from both sides; NaN where it or a side was not seen. */
    private double above(int piece, int line) {
        return mean[piece][line] - Math.max(side(piece, line, -1), side(piece, line, 1));
    }

    private double side(int piece, int line, int way) {
        Samples values = new Samples();
        for (int k = NEAR; k <= FAR; k++) {
            int at = line + way * k;
            if (at >= 0 && at < lines && !Float.isNaN(mean[piece][at])) {
                values.add(mean[piece][at]);
            }
        }
        return values.count() < 3 ? Double.NaN : values.quantile(0.5);
    }

    /** The lower quarter over the pieces: a line is seen in nearly all of them. 0 where too little was seen. */
    private double depth(int line) {
        Samples values = new Samples();
        for (int piece = 0; piece < pieces; piece++) {
            double above = above(piece, line);
            if (!Double.isNaN(above)) {
                values.add((float) above);
            }
        }
        return values.count() < Math.max(3, pieces / 3) ? 0 : values.quantile(1 - LEAST_SHARE);
    }

    private List<Line> found() {
        Samples spread = new Samples();
        for (double d : depth) {
            spread.add((float) Math.abs(d));
        }
        double least = Math.max(LEAST, SPREADS * spread.quantile(0.5) / 0.6745);
        List<Line> found = new ArrayList<>();
        for (int line = 1; line < lines - 1; line++) {
            if (depth[line] > least && depth[line] >= depth[line - 1] && depth[line] > depth[line + 1]) {
                Line one = line(line, least);
                if (one != null) {
                    found.add(one);
                    line = one.to();
                }
            }
        }
        return found;
    }

    /** Its width is that of a line without any light that would take as much: null where it is a band. */
    private Line line(int peak, double least) {
        int from = peak;
        int to = peak;
        while (from > 0 && depth[from - 1] > depth[peak] / 4) {
            from--;
        }
        while (to < lines - 1 && depth[to + 1] > depth[peak] / 4) {
            to++;
        }
        double step = deep ? s.stepX() : s.stepY();
        if ((to - from + 1) * step > MOST_WIDE_MM) {
            return null;
        }
        double width = 0;
        double at = 0;
        for (int line = from; line <= to; line++) {
            width += depth[line] * step;
            at += depth[line] * (line + 0.5) * step * step;
        }
        double length = along * (deep ? s.stepY() : s.stepX());
        double middle = at / width;
        double sure = Math.min(1, 1 - Math.exp(-depth[peak] / least));
        return new Line(
                Spot.line(deep ? middle : length / 2, deep ? length / 2 : middle, width, length, deep, sure),
                Math.max(0, from - BESIDE),
                Math.min(lines - 1, to + BESIDE));
    }
}
