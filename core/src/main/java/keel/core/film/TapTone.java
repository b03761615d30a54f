package keel.core.film;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;
import org.hipparchus.util.FastMath;

/**
 * The tone of a film from a recording of taps on it. Taps are found by their onset; each is windowed (Hann), transformed, and its peaks placed between
 * the bins by a parabola through the logarithms (Smith and Serra 1987). What sounds before the taps too, such as the hum of the mains, is not
 * taken for a tone. Meant for tones of 60 to 1200 Hz that die away.
 *
 * @param fundamentalHz mean of the lowest tone over the taps; {@code NaN} if there is no clear tone
 * @param spreadHz      standard deviation over the taps
 * @param taps          taps that were heard
 * @param peaks         tones of all taps together, the lowest first
 */
public record TapTone(double fundamentalHz, double spreadHz, int taps, List<Peak> peaks) {

    private static final double LOWEST_HZ = 55;
    private static final double HIGHEST_HZ = 1300;
    private static final double FRAME_S = 0.005;
    private static final double DEAF_AFTER_ONSET_S = 0.18;
    private static final double SKIPPED_S = 0.004;
    private static final double LONGEST_WINDOW_S = 0.35;
    private static final double SHORTEST_WINDOW_S = 0.06;
    private static final double PADDED_S = 1.5;
    private static final double ABOVE_NOISE = 8;
    private static final double ABOVE_MEDIAN = 6;
    private static final double OF_THE_STRONGEST = 0.25;
    private static final double SAME_TONE = 0.03;
    private static final double HUM_TOLERANCE_HZ = 2.5;
    private static final double HUM_ABOVE_NOISE = 30;

    /** A tone: its frequency, and its strength against the strongest. */
    public record Peak(double hz, double strength) {}

    public boolean clear() {
        return !Double.isNaN(fundamentalHz);
    }

    public static TapTone of(Recording recording) {
        double[] sound = withoutOffset(recording.samples());
        double rate = recording.rateHz();
        List<Integer> onsets = onsets(sound, rate);
        List<List<Peak>> heard = new ArrayList<>();
        int quiet = onsets.isEmpty() ? 0 : onsets.get(0) - (int) (0.01 * rate);
        for (int i = 0; i < onsets.size(); i++) {
            int from = onsets.get(i) + (int) (SKIPPED_S * rate);
            int to = FastMath.min(i + 1 < onsets.size() ? onsets.get(i + 1) - (int) (0.01 * rate) : sound.length, from + (int) (LONGEST_WINDOW_S * rate));
            if (to - from >= SHORTEST_WINDOW_S * rate) {
                double[] noise = quiet >= SHORTEST_WINDOW_S * rate ? Arrays.copyOfRange(sound, FastMath.max(0, quiet - (to - from)), quiet) : null;
                List<Peak> peaks = peaks(Arrays.copyOfRange(sound, from, to), noise, rate);
                if (!peaks.isEmpty()) {
                    heard.add(peaks);
                }
            }
        }
        return agreed(heard);
    }

    /** The tone that most taps share; none if they do not agree. */
    private static TapTone agreed(List<List<Peak>> heard) {
        double[] lowest = heard.stream().mapToDouble(p -> p.get(0).hz()).sorted().toArray();
        if (lowest.length == 0) {
            return new TapTone(Double.NaN, Double.NaN, 0, List.of());
        }
        double median = lowest[lowest.length / 2];
        double[] same = Arrays.stream(lowest).filter(f -> FastMath.abs(f / median - 1) < SAME_TONE).toArray();
        if (2 * same.length <= lowest.length && lowest.length > 1) {
            return new TapTone(Double.NaN, Double.NaN, heard.size(), List.of());
        }
        double mean = Arrays.stream(same).average().orElseThrow();
        double spread = same.length < 2 ? 0 : FastMath.sqrt(Arrays.stream(same).map(f -> (f - mean) * (f - mean)).sum() / (same.length - 1));
        return new TapTone(mean, spread, heard.size(), together(heard));
    }

    /** Peaks that at least half of the taps show, each at its mean. */
    private static List<Peak> together(List<List<Peak>> heard) {
        List<Peak> all = heard.stream().flatMap(List::stream).sorted(Comparator.comparingDouble(Peak::hz)).toList();
        List<Peak> shared = new ArrayList<>();
        for (int i = 0; i < all.size();) {
            int j = i;
            while (j < all.size() && all.get(j).hz() < all.get(i).hz() * (1 + SAME_TONE)) {
                j++;
            }
            List<Peak> group = all.subList(i, j);
            if (2 * group.size() >= heard.size()) {
                shared.add(new Peak(group.stream().mapToDouble(Peak::hz).average().orElseThrow(), group.stream().mapToDouble(Peak::strength).average().orElseThrow()));
            }
            i = j;
        }
        return shared;
    }

    private static double[] withoutOffset(double[] samples) {
        double mean = Arrays.stream(samples).average().orElse(0);
        return Arrays.stream(samples).map(s -> s - mean).toArray();
    }

    /** Where the sound's energy jumps well above what it was and above the background. */
    private static List<Integer> onsets(double[] sound, double rate) {
        int frame = FastMath.max(1, (int) (FRAME_S * rate));
        double[] energy = new double[sound.length / frame];
        for (int f = 0; f < energy.length; f++) {
            for (int i = f * frame; i < (f + 1) * frame; i++) {
                energy[f] += sound[i] * sound[i] / frame;
            }
        }
        double[] sorted = energy.clone();
        Arrays.sort(sorted);
        double loudest = sorted.length == 0 ? 0 : sorted[sorted.length - 1];
        double background = sorted.length == 0 ? 0 : sorted[sorted.length / 10];
        double threshold = FastMath.max(loudest / 30, 6 * background);
        List<Integer> onsets = new ArrayList<>();
        int deafUntil = 0;
        for (int f = 0; f < energy.length; f++) {
            double before = f == 0 ? 0 : energy[f - 1];
            if (f >= deafUntil && energy[f] > threshold && loudest > 0 && energy[f] > 3 * before) {
                onsets.add(f * frame);
                deafUntil = f + (int) (DEAF_AFTER_ONSET_S / FRAME_S);
            }
        }
        return onsets;
    }

    private static List<Peak> peaks(double[] tap, double[] noise, double rate) {
        double[] spectrum = magnitudes(tap, rate);
        double[] before = noise == null ? null : magnitudes(noise, rate);
        double binHz = rate / (2.0 * spectrum.length);
        int low = (int) FastMath.ceil(LOWEST_HZ / binHz);
        int high = FastMath.min(spectrum.length - 2, (int) (HIGHEST_HZ / binHz));
        if (high <= low) {
            return List.of();
        }
        double[] sorted = Arrays.copyOfRange(spectrum, low, high);
        Arrays.sort(sorted);
        double median = sorted[sorted.length / 2];
        List<Peak> peaks = new ArrayList<>();
        for (int b = low; b <= high; b++) {
            boolean top = spectrum[b] >= spectrum[b - 1] && spectrum[b] > spectrum[b + 1];
            if (top && spectrum[b] > ABOVE_MEDIAN * median && !soundsBefore(before, noise, tap, b, b * binHz, spectrum[b])) {
                peaks.add(new Peak((b + offset(spectrum, b)) * binHz, spectrum[b]));
            }
        }
        double strongest = peaks.stream().mapToDouble(Peak::strength).max().orElse(0);
        return peaks.stream().filter(p -> p.strength() >= OF_THE_STRONGEST * strongest).map(p -> new Peak(p.hz(), p.strength() / strongest)).toList();
    }

    /** Whether it was there before the tap; near a multiple of the mains a tone must stand out the more. */
    private static boolean soundsBefore(double[] before, double[] noise, double[] tap, int bin, double hz, double strength) {
        if (before == null) {
            return false;
        }
        double sameLength = (double) tap.length / noise.length;
        int at = FastMath.min(before.length - 1, bin);
        double there = sameLength * FastMath.max(before[at], FastMath.max(before[FastMath.max(0, at - 1)], before[FastMath.min(before.length - 1, at + 1)]));
        boolean mains = FastMath.abs(hz - 50 * FastMath.rint(hz / 50)) < HUM_TOLERANCE_HZ || FastMath.abs(hz - 60 * FastMath.rint(hz / 60)) < HUM_TOLERANCE_HZ;
        return strength < (mains && there > 0.02 * strength ? HUM_ABOVE_NOISE : ABOVE_NOISE) * there;
    }

    private static double offset(double[] spectrum, int b) {
        double left = FastMath.log(spectrum[b - 1] + Double.MIN_NORMAL);
        double middle = FastMath.log(spectrum[b] + Double.MIN_NORMAL);
        double right = FastMath.log(spectrum[b + 1] + Double.MIN_NORMAL);
        double curve = left - 2 * middle + right;
        return curve == 0 ? 0 : 0.5 * (left - right) / curve;
    }

    /** Magnitudes up to half the rate, Hann window, padded with zeros so that the bins lie well under a hertz apart. */
    private static double[] magnitudes(double[] piece, double rate) {
        int size = Integer.highestOneBit((int) FastMath.max(piece.length, PADDED_S * rate) - 1) * 2;
        double[] padded = new double[size];
        for (int i = 0; i < piece.length; i++) {
            padded[i] = piece[i] * (0.5 - 0.5 * FastMath.cos(2 * FastMath.PI * i / (piece.length - 1)));
        }
        Complex[] transformed = new FastFourierTransformer(DftNormalization.STANDARD).transform(padded, TransformType.FORWARD);
        double[] magnitudes = new double[size / 2];
        for (int b = 0; b < magnitudes.length; b++) {
            magnitudes[b] = transformed[b].norm();
        }
        return magnitudes;
    }
}
