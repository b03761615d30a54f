package keel.core.screen;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.QRDecomposition;
import org.hipparchus.linear.RealVector;

/**
 * How light evenly shown samples would be without spots: a smooth surface of the fourth degree through the medians of
 * squares of four millimetres, fitted so that squares that lie far off it do not count (Tukey's biweight). It takes the
 * lens's fall-off and the light engine's own along, and leaves spots and patches standing: it begins with the surface
 * of the second degree that most squares agree on, so that a patch of a third of the screen is not taken for its
 * light, and is held back where there are no squares to go by.
 *
 * <p>Source: Fischler and Bolles 1981 for the beginning (random sample consensus), Beaton and Tukey 1974 for the
 * weights.
 */
final class Backlight {

    private static final int BLOCK = 20;
    private static final int DEGREE = 4;
    private static final int ROUNDS = 12;
    private static final double LEAST_SHARE = 0.25;
    private static final double TUKEY = 4.685;
    private static final double LEAST_SPREAD = 0.4;
    private static final int QUADRATIC = 6;
    private static final int DRAWS = 150;
    private static final double NEAR = 2;
    private static final double NEAR_SHARE = 0.04;
    private static final double HELD = 1.5;

    private final double[] c;

    private Backlight(double[] c) {
        this.c = c;
    }

    /** A square's median at its place, −1 to 1 each way. */
    private record Block(double x, double y, double light) {}

    /** Null where too little of that kind was shown. */
    static Backlight of(Straightened s, Straightened.Shown kind) {
        List<Block> blocks = blocks(s, kind);
        if (blocks.size() < 3) {
            return null;
        }
        int terms = blocks.size() >= 60 ? (DEGREE + 1) * (DEGREE + 2) / 2 : blocks.size() >= 12 ? 6 : 1;
        return new Backlight(fitted(blocks, terms));
    }

    double at(double x, double y) {
        double sum = 0;
        double[] t = terms(x, y, c.length);
        for (int i = 0; i < c.length; i++) {
            sum += c[i] * t[i];
        }
        return sum;
    }

    private static List<Block> blocks(Straightened s, Straightened.Shown kind) {
        List<Block> blocks = new ArrayList<>();
        for (int row = 0; row < s.deep(); row += BLOCK) {
            for (int column = 0; column < s.across(); column += BLOCK) {
                Samples values = new Samples();
                for (int r = row; r < Math.min(s.deep(), row + BLOCK); r++) {
                    for (int k = column; k < Math.min(s.across(), column + BLOCK); k++) {
                        int i = r * s.across() + k;
                        if (s.shown()[i] == kind) {
                            values.add(s.light()[i]);
                        }
                    }
                }
                if (values.count() >= LEAST_SHARE * BLOCK * BLOCK) {
                    blocks.add(new Block(
                            2.0 * (column + BLOCK / 2.0) / s.across() - 1,
                            2.0 * (row + BLOCK / 2.0) / s.deep() - 1,
                            values.quantile(0.5)));
                }
            }
        }
        return blocks;
    }

    private static double[] fitted(List<Block> blocks, int terms) {
        double[] c = agreed(blocks, Math.min(terms, QUADRATIC));
        double[] weights = new double[blocks.size()];
        for (int round = 0; round < ROUNDS; round++) {
            Samples off = new Samples();
            for (Block b : blocks) {
                off.add((float) Math.abs(b.light() - value(c, b)));
            }
            double spread = Math.max(LEAST_SPREAD, 1.4826 * off.quantile(0.5)) * TUKEY;
            for (int i = 0; i < weights.length; i++) {
                double z = (blocks.get(i).light() - value(c, blocks.get(i))) / spread;
                weights[i] = Math.abs(z) < 1 ? (1 - z * z) * (1 - z * z) : 1e-6;
            }
            c = solved(blocks, weights, round < ROUNDS / 2 ? Math.min(terms, QUADRATIC) : terms);
        }
        return c;
    }

    /** The surface through a few squares, drawn at random, that most of all of them lie near to. */
    private static double[] agreed(List<Block> blocks, int terms) {
        Random random = new Random(1);
        double[] best = null;
        long most = -1;
        for (int draw = 0; draw < DRAWS; draw++) {
            List<Block> few = new ArrayList<>();
            for (int i = 0; i < 2 * terms; i++) {
                few.add(blocks.get(random.nextInt(blocks.size())));
            }
            double[] weights = new double[few.size()];
            Arrays.fill(weights, 1);
            double[] c = solved(few, weights, terms);
            long near = blocks.stream()
                    .filter(b -> Math.abs(b.light() - value(c, b)) < Math.max(NEAR, NEAR_SHARE * b.light()))
                    .count();
            if (near > most) {
                most = near;
                best = c;
            }
        }
        return best;
    }

    private static double value(double[] c, Block b) {
        return new Backlight(c).at(b.x(), b.y());
    }

    /** Terms beyond the second degree are held back a little, so that they do not run away where nothing is known. */
    private static double[] solved(List<Block> blocks, double[] weights, int terms) {
        Array2DRowRealMatrix a = new Array2DRowRealMatrix(blocks.size() + terms, terms);
        RealVector y = new ArrayRealVector(blocks.size() + terms);
        for (int i = 0; i < weights.length; i++) {
            double w = Math.sqrt(weights[i]);
            double[] t = terms(blocks.get(i).x(), blocks.get(i).y(), terms);
            for (int k = 0; k < terms; k++) {
                a.setEntry(i, k, w * t[k]);
            }
            y.setEntry(i, w * blocks.get(i).light());
        }
        for (int k = 0; k < terms; k++) {
            a.setEntry(blocks.size() + k, k, k < QUADRATIC ? 1e-4 : HELD);
        }
        return new QRDecomposition(a).getSolver().solve(y).toArray();
    }

    private static double[] terms(double x, double y, int count) {
        double[] t = new double[count];
        int n = 0;
        for (int degree = 0; n < count; degree++) {
            for (int k = 0; k <= degree && n < count; k++) {
                t[n++] = Math.pow(x, degree - k) * Math.pow(y, k);
            }
        }
        return t;
    }
}
