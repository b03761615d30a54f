package keel.core.film;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.hipparchus.util.FastMath;

/**
 * The loudness of a recording over time: mean squares of frames of a fiftieth of a second, one every five thousandths,
 * so that the hum of the mains, whose loudness repeats a hundred times a second, does not show in it.
 */
record Frames(double[] energy, double rateHz) {

    private static final double LONG_S = 0.020;
    private static final double STEP_S = 0.005;
    private static final int APART = (int) FastMath.round(LONG_S / STEP_S);
    private static final int BEATS = (int) FastMath.round(0.060 / STEP_S);
    private static final double JUMP = 2.5;
    private static final double ABOVE_BEATS = 1.5;
    private static final double ABOVE_BACKGROUND = 4;
    private static final double BELOW_LOUDEST = 40;
    private static final double FROM_THE_START = 10;
    private static final double DEAF_S = 0.12;
    private static final double QUIET_SHARE = 0.2;
    private static final double QUIET_WITHIN = 4;
    private static final double NOTHING = 1e-14;

    static Frames of(double[] sound, double rateHz) {
        int length = (int) FastMath.max(1, LONG_S * rateHz);
        double step = STEP_S * rateHz;
        double[] energy = new double[FastMath.max(0, (int) ((sound.length - length) / step) + 1)];
        for (int f = 0; f < energy.length; f++) {
            int from = (int) (f * step);
            for (int i = from; i < from + length; i++) {
                energy[f] += sound[i] * sound[i] / length;
            }
        }
        return new Frames(energy, rateHz);
    }

    /** Which samples lie in frames that hold no more than the background. */
    boolean[] quiet(int samples) {
        boolean[] quiet = new boolean[samples];
        double most = QUIET_WITHIN * background();
        for (int f = 0; f + APART < energy.length; f++) {
            if (energy[f] <= most) {
                Arrays.fill(quiet, sample(f), FastMath.min(samples, sample(f + 1)), true);
            }
        }
        return quiet;
    }

    /** The samples at which something sounds that did not sound just before. */
    List<Integer> onsets(double[] sound) {
        double loudest = Arrays.stream(energy).max().orElse(0);
        double background = background();
        double least = FastMath.max(FastMath.max(loudest / BELOW_LOUDEST, ABOVE_BACKGROUND * background), NOTHING);
        List<Integer> onsets = new ArrayList<>();
        int deafUntil = 0;
        for (int f = 0; f < energy.length; f++) {
            boolean jumps = f < APART
                    ? f == 0 && energy[0] > FROM_THE_START * background
                    : energy[f] > JUMP * energy[f - APART] && energy[f] > ABOVE_BEATS * loudestBefore(f);
            if (f >= deafUntil && energy[f] > least && jumps) {
                int loud = loudestWithin(f);
                onsets.add(start(sound, sample(FastMath.max(0, f - 1)), sample(loud) + sample(APART)));
                deafUntil = f + (int) (DEAF_S / STEP_S);
            }
        }
        return onsets;
    }

    /** Of the frames just before; two tones that beat fall and rise again, but not above what they were. */
    private double loudestBefore(int f) {
        double most = 0;
        for (int k = FastMath.max(0, f - BEATS); k <= f - APART; k++) {
            most = FastMath.max(most, energy[k]);
        }
        return most;
    }

    private int loudestWithin(int f) {
        int loudest = f;
        for (int k = f; k < FastMath.min(energy.length, f + 2 * APART); k++) {
            loudest = energy[k] > energy[loudest] ? k : loudest;
        }
        return loudest;
    }

    /** The first sample of a piece that reaches a third of its greatest. */
    private static int start(double[] sound, int from, int to) {
        double most = 0;
        int end = FastMath.min(sound.length, to);
        for (int i = from; i < end; i++) {
            most = FastMath.max(most, FastMath.abs(sound[i]));
        }
        int at = from;
        while (at < end - 1 && FastMath.abs(sound[at]) < most / 3) {
            at++;
        }
        return at;
    }

    private double background() {
        double[] sorted = energy.clone();
        Arrays.sort(sorted);
        return sorted.length == 0 ? 0 : sorted[(int) (QUIET_SHARE * sorted.length)];
    }

    private int sample(int frame) {
        return (int) (frame * STEP_S * rateHz);
    }
}
