package keel.core.film;

import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.linear.RealVector;
import org.hipparchus.util.FastMath;

/**
 * The hum of the mains in a recording: 50 or 60 Hz, as near as the mains keep it, with its multiples, fitted by least
 * squares to what is heard while nothing else sounds, and taken away from all of it.
 */
final class Hum {

    private static final double[] MAINS_HZ = {50, 60};
    private static final int MULTIPLES = 10;
    private static final int MULTIPLES_FOR_PITCH = 4;
    private static final int THINNED = 3;
    private static final double STRAYS_HZ = 0.4;
    private static final double STEP_HZ = 0.05;
    private static final double LEAST_QUIET_S = 0.15;
    private static final double LEAST_SHARE = 0.15;

    private final double baseHz;
    private final RealVector weights;

    private Hum(double baseHz, RealVector weights) {
        this.baseHz = baseHz;
        this.weights = weights;
    }

    /** The recording without hum; as it was where there is none, or no quiet in which to hear it. */
    static double[] without(double[] sound, double rateHz, boolean[] quiet) {
        int heard = 0;
        double all = 0;
        for (int i = 0; i < sound.length; i++) {
            heard += quiet[i] ? 1 : 0;
            all += quiet[i] ? sound[i] * sound[i] : 0;
        }
        if (heard < LEAST_QUIET_S * rateHz || all == 0) {
            return sound;
        }
        double base = 0;
        double best = 0;
        for (double mains : MAINS_HZ) {
            double near = loudest(sound, rateHz, quiet, mains, STRAYS_HZ, STEP_HZ);
            double hz = loudest(sound, rateHz, quiet, near, STEP_HZ, STEP_HZ / 8);
            double taken = explained(sound, rateHz, quiet, hz);
            if (taken > best) {
                best = taken;
                base = hz;
            }
        }
        return best < LEAST_SHARE * all
                ? sound
                : new Hum(
                                base,
                                Normal.of(sound, rateHz, quiet, base, MULTIPLES, 1)
                                        .solved())
                        .takenFrom(sound, rateHz);
    }

    /** The base near another that explains most. */
    private static double loudest(
            double[] sound, double rateHz, boolean[] quiet, double near, double within, double step) {
        double best = -1;
        double base = near;
        for (double hz = near - within; hz <= near + within; hz += step) {
            double taken = explained(sound, rateHz, quiet, hz);
            if (taken > best) {
                best = taken;
                base = hz;
            }
        }
        return base;
    }

    /** Of the energy of the quiet samples, by every so many of them. */
    private static double explained(double[] sound, double rateHz, boolean[] quiet, double hz) {
        Normal normal = Normal.of(sound, rateHz, quiet, hz, MULTIPLES_FOR_PITCH, THINNED);
        return THINNED * normal.right.dotProduct(normal.solved());
    }

    private double[] takenFrom(double[] sound, double rateHz) {
        double[] row = new double[weights.getDimension()];
        double[] rest = new double[sound.length];
        for (int i = 0; i < sound.length; i++) {
            waves(row, i / rateHz, baseHz);
            double hum = 0;
            for (int k = 0; k < row.length; k++) {
                hum += row[k] * weights.getEntry(k);
            }
            rest[i] = sound[i] - hum;
        }
        return rest;
    }

    /** Cosine and sine of each multiple, by the formula for multiple angles. */
    private static void waves(double[] row, double t, double hz) {
        double cos = FastMath.cos(2 * FastMath.PI * hz * t);
        double sin = FastMath.sin(2 * FastMath.PI * hz * t);
        row[0] = cos;
        row[1] = sin;
        for (int k = 2; k < row.length; k += 2) {
            row[k] = row[k - 2] * cos - row[k - 1] * sin;
            row[k + 1] = row[k - 2] * sin + row[k - 1] * cos;
        }
    }

    /** Normal equations of the fit, from every so many of the quiet samples. */
    private record Normal(double[][] left, ArrayRealVector right) {

        static Normal of(double[] sound, double rateHz, boolean[] quiet, double hz, int multiples, int every) {
            int size = 2 * multiples;
            double[][] left = new double[size][size];
            double[] right = new double[size];
            double[] row = new double[size];
            for (int i = 0; i < sound.length; i += every) {
                if (quiet[i]) {
                    waves(row, i / rateHz, hz);
                    for (int a = 0; a < size; a++) {
                        right[a] += row[a] * sound[i];
                        for (int b = 0; b <= a; b++) {
                            left[a][b] += row[a] * row[b];
                        }
                    }
                }
            }
            for (int a = 0; a < size; a++) {
                left[a][a] *= 1 + 1e-9;
                for (int b = 0; b < a; b++) {
                    left[b][a] = left[a][b];
                }
            }
            return new Normal(left, new ArrayRealVector(right));
        }

        RealVector solved() {
            return new LUDecomposition(new Array2DRowRealMatrix(left, false))
                    .getSolver()
                    .solve(right);
        }
    }
}
