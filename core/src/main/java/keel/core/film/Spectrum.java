package keel.core.film;

import java.util.Arrays;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;
import org.hipparchus.util.FastMath;

/**
 * How strongly each frequency sounds in a piece of a recording, from 0 to half of the rate. The piece is faded out by
 * half a cosine, so that what dies away keeps its loud beginning, and padded with zeros so that the bins lie well under
 * a hertz apart.
 */
record Spectrum(double[] strength, double binHz) {

    private static final double FADE_IN_S = 0.003;
    private static final double PADDED_S = 2;

    static Spectrum of(double[] sound, int from, int to, double rateHz) {
        int length = to - from;
        int size = Integer.highestOneBit((int) FastMath.max(length, PADDED_S * rateHz) - 1) * 2;
        double[] padded = new double[size];
        double fadeIn = FADE_IN_S * rateHz;
        for (int i = 0; i < length; i++) {
            double window = 0.5 + 0.5 * FastMath.cos(FastMath.PI * i / length);
            padded[i] = sound[from + i] * window * FastMath.min(1, (i + 1) / fadeIn);
        }
        Complex[] transformed =
                new FastFourierTransformer(DftNormalization.STANDARD).transform(padded, TransformType.FORWARD);
        double[] strength = new double[size / 2];
        for (int b = 0; b < strength.length; b++) {
            strength[b] = transformed[b].norm();
        }
        return new Spectrum(strength, rateHz / size);
    }

    int bin(double hz) {
        return (int) FastMath.max(1, FastMath.min(strength.length - 2, FastMath.round(hz / binHz)));
    }

    /** The strongest frequency between two, Hz. */
    double strongest(double lowHz, double highHz) {
        int best = bin(lowHz);
        for (int b = best; b <= bin(highHz); b++) {
            best = strength[b] > strength[best] ? b : best;
        }
        return best * binHz;
    }

    /** The middle strength around a frequency, which a single tone hardly lifts. */
    double around(double hz, double aroundHz, double lowHz, double highHz) {
        double[] near = Arrays.copyOfRange(
                strength, bin(FastMath.max(lowHz, hz - aroundHz)), bin(FastMath.min(highHz, hz + aroundHz)) + 1);
        Arrays.sort(near);
        return near[near.length / 2];
    }
}
