package keel.core.film;

import java.util.Arrays;
import java.util.List;
import org.hipparchus.util.FastMath;

/**
 * Whether a piece of a recording has the shape of a tap on a film: it is there at once, never grows again, and its
 * tones are those of a membrane. A voice grows slowly, goes on, and sounds at the multiples of one pitch; a knock is
 * over too soon. Figures are common practice of the project's own recordings, no published source.
 */
final class TapShape {

    private static final double PIECE_S = 0.02;
    private static final double BEFORE_S = 0.11;
    private static final double GAP_S = 0.01;
    private static final double FIRST_S = 0.04;
    private static final double BEFORE_AT_MOST = 0.3;
    private static final double GROWS = 1.25;
    private static final double STILL_MATTERS = 0.1;
    private static final double ON_A_MULTIPLE = 0.018;
    private static final double AUDIBLE = 0.08;
    private static final double VERY_BEGINNING_S = 0.07;
    private static final double NEAR = 0.12;
    private static final double SAME = 0.025;
    private static final int HARMONICS = 3;
    private static final int MOST_MULTIPLE = 8;
    private static final double LOWEST_VOICE_HZ = 60;

    private final double[] sound;
    private final double rateHz;

    TapShape(double[] sound, double rateHz) {
        this.sound = sound;
        this.rateHz = rateHz;
    }

    /** Whether it was much quieter just before. */
    boolean begins(int onset) {
        double first = energy(onset, onset + samples(FIRST_S));
        double before = energy(onset - samples(BEFORE_S + GAP_S), onset - samples(GAP_S));
        return before <= BEFORE_AT_MOST * first;
    }

    /** The sample at which it grows again, as where another tap follows; {@code to} where it does not. */
    int growsAt(int from, int to) {
        int step = samples(PIECE_S);
        double loudest = 0;
        double before = Double.POSITIVE_INFINITY;
        for (int at = from; at + 2 * step <= to; at += step) {
            double now = energy(at, at + 2 * step);
            if (now > GROWS * before && now > STILL_MATTERS * loudest) {
                return at;
            }
            loudest = FastMath.max(loudest, now);
            before = FastMath.min(before, now);
        }
        return to;
    }

    /** Whether a tone is the strongest near by in the very beginning too; else another tap lies in the piece. */
    boolean beginsWith(int from, double hz) {
        int to = FastMath.min(sound.length, from + samples(VERY_BEGINNING_S));
        double near = Spectrum.of(sound, from, to, rateHz).strongest(hz * (1 - NEAR), hz * (1 + NEAR));
        return FastMath.abs(near / hz - 1) < SAME;
    }

    /** Whether what can be heard stands at the multiples of one pitch, as a voice does. */
    static boolean voice(List<DyingTones.Tone> tones) {
        double strongest =
                tones.stream().mapToDouble(DyingTones.Tone::strength).max().orElse(0);
        double[] hz = tones.stream()
                .filter(t -> t.strength() >= AUDIBLE * strongest)
                .mapToDouble(DyingTones.Tone::hz)
                .sorted()
                .toArray();
        if (hz.length < HARMONICS) {
            return false;
        }
        return hz[0] >= LOWEST_VOICE_HZ && onMultiples(hz, hz[0]) >= HARMONICS
                || hz[0] >= 2 * LOWEST_VOICE_HZ && onMultiples(hz, hz[0] / 2) >= HARMONICS + 1;
    }

    private static int onMultiples(double[] hz, double pitch) {
        return (int) Arrays.stream(hz)
                .filter(f -> {
                    double multiple = f / pitch;
                    double nearest = FastMath.rint(multiple);
                    return nearest <= MOST_MULTIPLE && FastMath.abs(multiple / nearest - 1) < ON_A_MULTIPLE;
                })
                .count();
    }

    /** Mean square of a piece. */
    private double energy(int from, int to) {
        int begin = FastMath.max(0, from);
        int end = FastMath.min(sound.length, to);
        double sum = 0;
        for (int i = begin; i < end; i++) {
            sum += sound[i] * sound[i];
        }
        return end <= begin ? 0 : sum / (end - begin);
    }

    private int samples(double seconds) {
        return (int) (seconds * rateHz);
    }
}
