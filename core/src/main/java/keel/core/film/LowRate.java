package keel.core.film;

import org.hipparchus.util.FastMath;

/**
 * A recording without its offset and at the lowest rate that still holds the tones of films: low-passed by a windowed
 * sinc, then every so many samples kept.
 *
 * <p>Source: any text on multirate filters, such as Oppenheim and Schafer, Discrete-Time Signal Processing, ch. 4 and
 * 7.
 */
record LowRate(double[] samples, double rateHz) {

    private static final double LEAST_RATE_HZ = 4_000;
    private static final int LOBES = 6;

    static LowRate of(Recording recording) {
        double[] sound = withoutOffset(recording.samples());
        int every = (int) FastMath.max(1, FastMath.floor(recording.rateHz() / LEAST_RATE_HZ));
        return every == 1
                ? new LowRate(sound, recording.rateHz())
                : new LowRate(kept(sound, every), recording.rateHz() / every);
    }

    double seconds() {
        return samples.length / rateHz;
    }

    private static double[] withoutOffset(double[] samples) {
        double sum = 0;
        for (double s : samples) {
            sum += s;
        }
        double mean = samples.length == 0 ? 0 : sum / samples.length;
        double[] centred = new double[samples.length];
        for (int i = 0; i < samples.length; i++) {
            centred[i] = samples[i] - mean;
        }
        return centred;
    }

    private static double[] kept(double[] sound, int every) {
        double[] low = lowPass(every);
        int half = low.length / 2;
        double[] kept = new double[sound.length / every];
        for (int i = 0; i < kept.length; i++) {
            int centre = i * every;
            int from = FastMath.max(0, centre - half);
            int to = FastMath.min(sound.length - 1, centre + half);
            double sum = 0;
            for (int k = from; k <= to; k++) {
                sum += sound[k] * low[k - centre + half];
            }
            kept[i] = sum;
        }
        return kept;
    }

    /** Half of the new rate's band passes. */
    private static double[] lowPass(int every) {
        int half = LOBES * every;
        double[] low = new double[2 * half + 1];
        double sum = 0;
        for (int k = -half; k <= half; k++) {
            double x = FastMath.PI * k / every;
            double window = 0.5 + 0.5 * FastMath.cos(FastMath.PI * k / (half + 1));
            low[k + half] = (k == 0 ? 1 : FastMath.sin(x) / x) * window;
            sum += low[k + half];
        }
        for (int k = 0; k < low.length; k++) {
            low[k] /= sum;
        }
        return low;
    }
}
