package keel.core.film;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.DecompositionSolver;
import org.hipparchus.linear.LUDecomposition;
import org.hipparchus.util.FastMath;

/**
 * The tones of one tap: the sum of sinusoids that die away, Σ (a·cos 2πft + b·sin 2πft)·e^(−dt), that lies
 * nearest to what was recorded. Tones are taken one after the other, the strongest first; after each all are fitted
 * anew by Levenberg's and Marquardt's way of least squares (Marquardt 1963).
 */
final class DyingTones {

    private static final int MOST_TONES = 5;
    private static final int ROUNDS = 12;
    private static final double USUAL_DECAY_PER_S = 15;
    private static final double LEAST_DECAY_PER_S = 0.05;
    private static final double MOST_DECAY_PER_S = 150;
    private static final double STRAYS_HZ = 10;
    private static final double ABOVE_AROUND = 6;
    private static final double AROUND_HZ = 250;
    private static final double HEARD_S = 0.12;
    private static final double NEARLY_ALL = 0.95;
    private static final double LEAST_PIVOT = 1e-9;
    private static final int OF_A_TONE = 4;

    private final double[] sound;
    private final int from;
    private final int to;
    private final double rateHz;
    private final List<double[]> tones = new ArrayList<>();

    private DyingTones(double[] sound, int from, int to, double rateHz) {
        this.sound = sound;
        this.from = from;
        this.to = to;
        this.rateHz = rateHz;
    }

    /**
     * One tone.
     *
     * @param hz its frequency
     * @param decayPerS how fast it dies, 1/s
     * @param strength its amplitude where the piece begins
     */
    record Tone(double hz, double decayPerS, double strength) {}

    /**
     * Tones of a piece.
     *
     * @param share of the loudness of its beginning that they make up, 0 to 1
     * @param shareOfAll the same of all of it until nearly all of its loudness is over
     */
    record Heard(List<Tone> tones, double share, double shareOfAll) {}

    static Heard of(double[] sound, int from, int to, double rateHz, double lowHz, double highHz) {
        DyingTones fit = new DyingTones(sound, from, to, rateHz);
        while (fit.tones.size() < MOST_TONES && fit.another(lowHz, highHz)) {
            fit.nearest();
        }
        return new Heard(
                fit.tones.stream()
                        .map(t -> new Tone(t[0], t[1], FastMath.hypot(t[2], t[3])))
                        .toList(),
                fit.share(from, (int) FastMath.min(to, from + HEARD_S * rateHz)),
                fit.share(from, fit.nearlyOver()));
    }

    /** Takes the strongest frequency of what is left, if it stands out. */
    private boolean another(double lowHz, double highHz) {
        double[] left = left();
        Spectrum spectrum = Spectrum.of(left, 0, left.length, rateHz);
        double hz = spectrum.strongest(lowHz, highHz);
        boolean standsOut =
                spectrum.strength()[spectrum.bin(hz)] > ABOVE_AROUND * spectrum.around(hz, AROUND_HZ, lowHz, highHz);
        if (standsOut && hz > lowHz && hz < highHz) {
            tones.add(new double[] {hz, USUAL_DECAY_PER_S, 0, 0, hz});
            return true;
        }
        return false;
    }

    private double[] left() {
        double[] left = new double[to - from];
        for (int i = 0; i < left.length; i++) {
            left[i] = sound[from + i] - at(i / rateHz, null, tones);
        }
        return left;
    }

    /** What the tones sum up to at a time; their derivatives go into {@code slope}. */
    private static double at(double t, double[] slope, List<double[]> tones) {
        double sum = 0;
        for (int k = 0; k < tones.size(); k++) {
            double[] tone = tones.get(k);
            double w = 2 * FastMath.PI * t;
            double dies = FastMath.exp(-tone[1] * t);
            double cos = dies * FastMath.cos(w * tone[0]);
            double sin = dies * FastMath.sin(w * tone[0]);
            double value = tone[2] * cos + tone[3] * sin;
            if (slope != null) {
                slope[OF_A_TONE * k] = w * (tone[3] * cos - tone[2] * sin);
                slope[OF_A_TONE * k + 1] = -t * value;
                slope[OF_A_TONE * k + 2] = cos;
                slope[OF_A_TONE * k + 3] = sin;
            }
            sum += value;
        }
        return sum;
    }

    private void nearest() {
        double damping = 1e-3;
        double error = error(tones);
        for (int round = 0; round < ROUNDS; round++) {
            List<double[]> next = step(damping);
            double then = next == null ? Double.POSITIVE_INFINITY : error(next);
            if (then < error) {
                boolean settled = error - then < 1e-7 * error;
                tones.clear();
                tones.addAll(next);
                error = then;
                damping /= 5;
                if (settled) {
                    return;
                }
            } else {
                damping *= 8;
            }
        }
    }

    private double error(List<double[]> with) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            double left = sound[i] - at((i - from) / rateHz, null, with);
            sum += left * left;
        }
        return sum;
    }

    private List<double[]> step(double damping) {
        int size = OF_A_TONE * tones.size();
        double[][] normal = new double[size][size];
        double[] right = new double[size];
        double[] slope = new double[size];
        for (int i = from; i < to; i++) {
            double left = sound[i] - at((i - from) / rateHz, slope, tones);
            for (int a = 0; a < size; a++) {
                right[a] += slope[a] * left;
                for (int b = 0; b <= a; b++) {
                    normal[a][b] += slope[a] * slope[b];
                }
            }
        }
        double largest = 0;
        for (int a = 0; a < size; a++) {
            largest = FastMath.max(largest, normal[a][a]);
        }
        for (int a = 0; a < size; a++) {
            normal[a][a] = normal[a][a] * (1 + damping) + LEAST_PIVOT * largest;
            for (int b = 0; b < a; b++) {
                normal[b][a] = normal[a][b];
            }
        }
        DecompositionSolver solver =
                new LUDecomposition(new Array2DRowRealMatrix(normal, false), Double.MIN_NORMAL).getSolver();
        return solver.isNonSingular()
                ? moved(solver.solve(new ArrayRealVector(right, false)).toArray())
                : null;
    }

    private List<double[]> moved(double[] by) {
        List<double[]> moved = new ArrayList<>();
        for (int k = 0; k < tones.size(); k++) {
            double[] tone = tones.get(k).clone();
            tone[0] = FastMath.max(tone[4] - STRAYS_HZ, FastMath.min(tone[4] + STRAYS_HZ, tone[0] + by[OF_A_TONE * k]));
            tone[1] = FastMath.max(LEAST_DECAY_PER_S, FastMath.min(MOST_DECAY_PER_S, tone[1] + by[OF_A_TONE * k + 1]));
            tone[2] += by[OF_A_TONE * k + 2];
            tone[3] += by[OF_A_TONE * k + 3];
            moved.add(tone);
        }
        return moved;
    }

    /** The sample by which nearly all of the piece's loudness is over. */
    private int nearlyOver() {
        double all = 0;
        for (int i = from; i < to; i++) {
            all += sound[i] * sound[i];
        }
        double sum = 0;
        int at = from;
        while (at < to && sum < NEARLY_ALL * all) {
            sum += sound[at] * sound[at];
            at++;
        }
        return at;
    }

    private double share(int begin, int end) {
        double all = 0;
        double left = 0;
        for (int i = begin; i < end; i++) {
            double rest = sound[i] - at((i - from) / rateHz, null, tones);
            all += sound[i] * sound[i];
            left += rest * rest;
        }
        return all == 0 ? 0 : FastMath.max(0, 1 - left / all);
    }
}
