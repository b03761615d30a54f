package keel.sim.instrument;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import keel.core.film.Membrane;
import keel.sim.chance.Chance;
import keel.sim.world.Film;
import org.hipparchus.util.FastMath;

/**
 * Records taps on a film held by its rim, as a tablet's microphone would: the film's modes dying away, the hum of the
 * mains, and noise. PCM, 16 bit, mono.
 */
public final class Microphone {

    public static final int RATE_HZ = 44_100;

    private static final int TAPS = 3;
    private static final double BETWEEN_TAPS_S = 0.9;
    private static final double HUM_HZ = 50;
    private static final int[][] MODES = {{1, 1}, {2, 1}, {1, 2}, {3, 1}, {2, 2}};

    private Microphone() {}

    /**
     * @param lengthMm free opening of the frame
     * @param offCentre whether it is tapped at a quarter of the long side rather than at the centre
     * @return a WAV file
     */
    public static byte[] taps(
            Film film, double lengthMm, double widthMm, double thicknessMm, boolean offCentre, Chance chance) {
        Membrane membrane = Membrane.ofFep(lengthMm, widthMm, thicknessMm, film.tensionNPerM());
        double[] sound = new double[(int) (RATE_HZ * (0.4 + TAPS * BETWEEN_TAPS_S))];
        for (int tap = 0; tap < TAPS; tap++) {
            int onset = (int) (RATE_HZ * (0.3 + tap * BETWEEN_TAPS_S + chance.between(0, 0.08)));
            tap(
                    sound,
                    onset,
                    membrane,
                    offCentre ? 0.25 : 0.5 + chance.normal(0, 0.015),
                    0.5 + chance.normal(0, 0.015),
                    chance.between(0.5, 0.8));
        }
        for (int i = 0; i < sound.length; i++) {
            double t = (double) i / RATE_HZ;
            sound[i] += 0.010 * FastMath.sin(2 * FastMath.PI * HUM_HZ * t)
                    + 0.006 * FastMath.sin(4 * FastMath.PI * HUM_HZ * t + 1)
                    + chance.normal(0, 0.008);
        }
        return wav(sound);
    }

    private static void tap(double[] sound, int onset, Membrane membrane, double x, double y, double loud) {
        for (int[] mode : MODES) {
            double struck = FastMath.sin(mode[0] * FastMath.PI * x) * FastMath.sin(mode[1] * FastMath.PI * y);
            double hz = membrane.toneHz(mode[0], mode[1]);
            double dies = 0.09 / FastMath.hypot(mode[0], mode[1]) * FastMath.sqrt(2);
            double amplitude = loud * struck / (mode[0] * mode[1]);
            for (int i = onset; i < sound.length && i < onset + RATE_HZ * 0.7; i++) {
                double t = (double) (i - onset) / RATE_HZ;
                sound[i] += amplitude * FastMath.exp(-t / dies) * FastMath.sin(2 * FastMath.PI * hz * t);
            }
        }
    }

    private static byte[] wav(double[] sound) {
        byte[] samples = new byte[2 * sound.length];
        for (int i = 0; i < sound.length; i++) {
            short value = (short) FastMath.max(-32_768, FastMath.min(32_767, FastMath.round(sound[i] * 32_000)));
            samples[2 * i] = (byte) value;
            samples[2 * i + 1] = (byte) (value >> 8);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try {
            AudioSystem.write(
                    new AudioInputStream(
                            new ByteArrayInputStream(samples),
                            new AudioFormat(RATE_HZ, 16, 1, true, false),
                            sound.length),
                    AudioFileFormat.Type.WAVE,
                    out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
