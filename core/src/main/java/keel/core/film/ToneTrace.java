package keel.core.film;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.util.FastMath;

/**
 * What a drawing needs of a recording: how far it swings in each slice of time, where the taps are, and how strongly
 * each frequency sounds while they ring.
 *
 * @param seconds length of the recording
 * @param swing greatest amplitude in each slice, 0 to 1 of the loudest
 * @param tapsAtS when the taps were heard, s
 * @param lowHz frequency of the first strength
 * @param stepHz between strengths
 * @param strength dB below the strongest, 0 to {@value #FLOOR_DB}
 * @param clipped share of samples at full scale, 0 to 1
 */
public record ToneTrace(
        double seconds,
        List<Double> swing,
        List<Double> tapsAtS,
        double lowHz,
        double stepHz,
        List<Double> strength,
        double clipped) {

    /** What lies further below the strongest is drawn as nothing, dB. */
    public static final double FLOOR_DB = -50;

    private static final int SLICES = 240;
    private static final double LOW_HZ = 40;
    private static final double HIGH_HZ = 1300;
    private static final double STEP_HZ = 4;
    private static final double RINGS_S = 0.35;
    private static final double FULL_SCALE = 0.985;

    public static ToneTrace of(Recording recording) {
        LowRate low = LowRate.of(recording);
        double[] sound = Hum.without(
                low.samples(),
                low.rateHz(),
                Frames.of(low.samples(), low.rateHz()).quiet(low.samples().length));
        List<Integer> onsets = Frames.of(sound, low.rateHz()).onsets(sound);
        return new ToneTrace(
                low.seconds(),
                swing(low.samples()),
                onsets.stream().map(o -> o / low.rateHz()).toList(),
                LOW_HZ,
                STEP_HZ,
                strength(sound, onsets, low.rateHz()),
                clipped(recording));
    }

    /** Whether so much of it is clipped that it was too loud for the microphone. */
    public boolean tooLoud() {
        return clipped > 0.001;
    }

    private static List<Double> swing(double[] sound) {
        double[] most = new double[FastMath.min(SLICES, sound.length)];
        double loudest = 1e-12;
        for (int i = 0; i < sound.length; i++) {
            int slice = (int) ((long) i * most.length / sound.length);
            most[slice] = FastMath.max(most[slice], FastMath.abs(sound[i]));
            loudest = FastMath.max(loudest, most[slice]);
        }
        List<Double> swing = new ArrayList<>();
        for (double m : most) {
            swing.add(rounded(m / loudest, 1000));
        }
        return swing;
    }

    private static List<Double> strength(double[] sound, List<Integer> onsets, double rateHz) {
        double[] sum = new double[(int) ((HIGH_HZ - LOW_HZ) / STEP_HZ) + 1];
        List<Integer> from = onsets.isEmpty() ? List.of(0) : onsets;
        for (int onset : from) {
            Spectrum spectrum =
                    Spectrum.of(sound, onset, FastMath.min(sound.length, onset + (int) (RINGS_S * rateHz)), rateHz);
            for (int k = 0; k < sum.length; k++) {
                double hz = LOW_HZ + k * STEP_HZ;
                double most = 0;
                for (int b = spectrum.bin(hz - STEP_HZ / 2); b <= spectrum.bin(hz + STEP_HZ / 2); b++) {
                    most = FastMath.max(most, spectrum.strength()[b]);
                }
                sum[k] += most;
            }
        }
        double strongest = 1e-12;
        for (double s : sum) {
            strongest = FastMath.max(strongest, s);
        }
        List<Double> strength = new ArrayList<>();
        for (double s : sum) {
            strength.add(rounded(FastMath.max(FLOOR_DB, 20 * FastMath.log10(FastMath.max(1e-9, s / strongest))), 10));
        }
        return strength;
    }

    private static double clipped(Recording recording) {
        long full = 0;
        for (double s : recording.samples()) {
            full += FastMath.abs(s) >= FULL_SCALE ? 1 : 0;
        }
        return recording.samples().length == 0 ? 0 : (double) full / recording.samples().length;
    }

    private static double rounded(double value, double steps) {
        return FastMath.rint(value * steps) / steps;
    }
}
