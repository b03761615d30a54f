package keel.app.support;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import keel.core.film.Membrane;

/** Three taps on a film of a known tension, as a WAV: the dying tones of its modes, with mains hum and noise. */
public final class TapSound {

    public static final double TENSION_N_PER_M = 620;

    private static final int RATE_HZ = 44_100;
    private static final int[][] MODES = {{1, 1}, {2, 1}, {1, 2}, {3, 1}, {2, 2}};

    private TapSound() {}

    /** @param quarter tapped at a quarter of the long side rather than at the centre */
    public static byte[] taps(double lengthMm, double widthMm, double thicknessMm, boolean quarter) {
        Random noise = new Random(7);
        double[] sound = new double[3 * RATE_HZ];
        for (int i = 0; i < sound.length; i++) {
            sound[i] = 0.01 * Math.sin(2 * Math.PI * 50 * i / RATE_HZ) + 0.008 * noise.nextGaussian();
        }
        Membrane film = Membrane.ofFep(lengthMm, widthMm, thicknessMm, TENSION_N_PER_M);
        for (int tap = 0; tap < 3; tap++) {
            for (int[] mode : MODES) {
                double struck = Math.sin(mode[0] * Math.PI * (quarter ? 0.25 : 0.51)) * Math.sin(mode[1] * Math.PI / 2);
                ring(
                        sound,
                        (int) (RATE_HZ * (0.3 + 0.9 * tap)),
                        film.toneHz(mode[0], mode[1]),
                        0.6 * struck / (mode[0] * mode[1]),
                        mode);
            }
        }
        return wav(sound);
    }

    private static void ring(double[] sound, int onset, double hz, double amplitude, int[] mode) {
        double dies = 0.127 / Math.hypot(mode[0], mode[1]);
        for (int i = onset; i < Math.min(sound.length, onset + RATE_HZ * 7 / 10); i++) {
            double t = (double) (i - onset) / RATE_HZ;
            sound[i] += amplitude * Math.exp(-t / dies) * Math.sin(2 * Math.PI * hz * t);
        }
    }

    private static byte[] wav(double[] sound) {
        byte[] samples = new byte[2 * sound.length];
        for (int i = 0; i < sound.length; i++) {
            int value = (int) Math.max(-32_768, Math.min(32_767, Math.round(sound[i] * 32_000)));
            samples[2 * i] = (byte) value;
            samples[2 * i + 1] = (byte) (value >> 8);
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        AudioFormat format = new AudioFormat(RATE_HZ, 16, 1, true, false);
        try (AudioInputStream in = new AudioInputStream(new ByteArrayInputStream(samples), format, sound.length)) {
            AudioSystem.write(in, AudioFileFormat.Type.WAVE, out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
