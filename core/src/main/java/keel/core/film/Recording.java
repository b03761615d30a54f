package keel.core.film;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;

/**
 * A recording in mono, −1 to 1: WAV with PCM of 8, 16, 24 or 32 bit or floats of 32 or 64, any rate, any number of
 * channels up to 32 (their mean), 0.2 to 30 s, at most 2.88 million samples a channel. Nothing is decoded before its
 * head was held against these limits.
 */
public record Recording(double[] samples, double rateHz) {

    private static final double SHORTEST_S = 0.2;
    private static final double LONGEST_S = 30;
    private static final double CANCELLED = 0.05;
    private static final float LOWEST_RATE_HZ = 4_000;
    private static final float HIGHEST_RATE_HZ = 384_000;
    private static final int MOST_CHANNELS = 32;
    private static final int WIDEST_SAMPLE = 8;
    private static final int MOST_FRAMES = 2_880_000;

    /** @throws IllegalArgumentException if it is no such recording; the message says what is wrong with it */
    public static Recording ofWav(byte[] file) {
        try (AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(file))) {
            AudioFormat format = in.getFormat();
            check(format);
            int most = (int) Math.min(MOST_FRAMES, LONGEST_S * format.getSampleRate());
            byte[] bytes = in.readNBytes(Math.min(most + 1, file.length) * format.getFrameSize());
            int frames = bytes.length / format.getFrameSize();
            require(
                    frames <= most,
                    "It is longer than %.0f s, the most at its rate.".formatted(most / format.getSampleRate()));
            require(frames >= SHORTEST_S * format.getSampleRate(), "It is shorter than 0.2 s, or was cut off.");
            return new Recording(mono(bytes, frames, format), format.getSampleRate());
        } catch (UnsupportedAudioFileException | IOException e) {
            throw new IllegalArgumentException("This is no WAV recording that can be read.", e);
        }
    }

    /** A head can say anything: a frame larger than what is read at once is waited for for ever. */
    private static void check(AudioFormat format) {
        float rate = format.getSampleRate();
        require(
                rate >= LOWEST_RATE_HZ && rate <= HIGHEST_RATE_HZ,
                "Its rate of %.0f Hz cannot be used.".formatted(rate));
        int channels = format.getChannels();
        require(channels >= 1, "It names no channels.");
        require(channels <= MOST_CHANNELS, "It names %d channels; 32 are the most.".formatted(channels));
        int frame = format.getFrameSize();
        require(
                frame > 0 && frame % channels == 0 && frame / channels <= WIDEST_SAMPLE,
                "What it says of its samples does not fit together.");
    }

    /**
     * The mean of the channels; where they cancel one another, as those of a microphone wired the wrong way round, the
     * louder one.
     */
    private static double[] mono(byte[] bytes, int frames, AudioFormat format) {
        int width = format.getFrameSize() / format.getChannels();
        double[] mean = new double[frames];
        double[] loudest = null;
        double most = 0;
        for (int channel = 0; channel < format.getChannels(); channel++) {
            double[] one = new double[frames];
            double energy = 0;
            for (int i = 0; i < frames; i++) {
                one[i] = sample(bytes, i * format.getFrameSize() + channel * width, width, format);
                require(Double.isFinite(one[i]), "It holds samples that are no numbers.");
                mean[i] += one[i] / format.getChannels();
                energy += one[i] * one[i];
            }
            if (loudest == null || energy > most) {
                loudest = one;
                most = energy;
            }
        }
        double left = 0;
        for (double s : mean) {
            left += s * s;
        }
        return left < CANCELLED * most ? loudest : mean;
    }

    private static double sample(byte[] bytes, int at, int width, AudioFormat format) {
        long raw = 0;
        for (int k = 0; k < width; k++) {
            int index = format.isBigEndian() ? at + k : at + width - 1 - k;
            raw = raw << 8 | bytes[index] & 0xff;
        }
        AudioFormat.Encoding encoding = format.getEncoding();
        if (encoding.equals(AudioFormat.Encoding.PCM_FLOAT)) {
            return width == 8 ? Double.longBitsToDouble(raw) : Float.intBitsToFloat((int) raw);
        }
        if (encoding.equals(AudioFormat.Encoding.PCM_UNSIGNED)) {
            return raw / (double) (1L << 8 * width - 1) - 1;
        }
        require(
                encoding.equals(AudioFormat.Encoding.PCM_SIGNED),
                "Its encoding " + encoding + " cannot be read; PCM can.");
        int shift = 64 - 8 * width;
        return (raw << shift >> shift) / (double) (1L << 8 * width - 1);
    }

    private static void require(boolean sound, String otherwise) {
        if (!sound) {
            throw new IllegalArgumentException(otherwise);
        }
    }
}
