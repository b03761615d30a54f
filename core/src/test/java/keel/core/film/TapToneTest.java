package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.hipparchus.util.FastMath;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TapToneTest {

    private static final double RATE = 44_100;

    /** Within one per cent for a tone that dies away, 20 dB above the noise: the aim; the tones are made by hand, so exact. */
    @ParameterizedTest
    @ValueSource(doubles = {60, 73.3, 98.7, 140, 180, 233, 300, 410.5, 555, 700, 880, 1010, 1199})
    void aToneIsFoundWithinOnePerCentAtTwentyDecibels(double hz) {
        for (int seed = 0; seed < 5; seed++) {
            TapTone tone = TapTone.of(new Recording(taps(RATE, new double[] {hz}, new double[] {1}, 0.1, seed), RATE));
            assertThat(tone.clear()).as("seed " + seed).isTrue();
            assertThat(tone.fundamentalHz()).isCloseTo(hz, within(0.01 * hz));
            assertThat(tone.taps()).isEqualTo(3);
        }
    }

    @ParameterizedTest
    @ValueSource(doubles = {8_000, 16_000, 22_050, 48_000, 96_000})
    void anyRateWillDo(double rate) {
        TapTone tone = TapTone.of(new Recording(taps(rate, new double[] {300}, new double[] {1}, 0.05, 3), rate));
        assertThat(tone.fundamentalHz()).isCloseTo(300, within(3.0));
    }

    @Test
    void theLowestOfSeveralModesIsTheFundamental() {
        TapTone tone = TapTone.of(new Recording(taps(RATE, new double[] {280, 410, 505}, new double[] {1, 0.6, 0.35}, 0.05, 7), RATE));
        assertThat(tone.fundamentalHz()).isCloseTo(280, within(2.0));
        assertThat(tone.peaks()).extracting(TapTone.Peak::hz).anySatisfy(f -> assertThat(f).isCloseTo(410, within(3.0)));
    }

    @Test
    void humOfTheMainsIsNoTone() {
        double[] hum = noise(RATE, 2, 0.01, 1);
        for (int i = 0; i < hum.length; i++) {
            hum[i] += 0.3 * FastMath.sin(2 * FastMath.PI * 50 * i / RATE) + 0.2 * FastMath.sin(2 * FastMath.PI * 100 * i / RATE + 1) + 0.1 * FastMath.sin(2 * FastMath.PI * 150 * i / RATE);
        }
        assertThat(TapTone.of(new Recording(hum, RATE)).clear()).isFalse();
        double[] with = taps(RATE, new double[] {237}, new double[] {1}, 0.02, 2);
        for (int i = 0; i < with.length; i++) {
            with[i] += 0.25 * FastMath.sin(2 * FastMath.PI * 50 * i / RATE) + 0.2 * FastMath.sin(2 * FastMath.PI * 100 * i / RATE + 1);
        }
        assertThat(TapTone.of(new Recording(with, RATE)).fundamentalHz()).isCloseTo(237, within(2.4));
    }

    @Test
    void noiseSilenceAndTapsThatDisagreeHaveNoClearTone() {
        for (int seed = 0; seed < 20; seed++) {
            assertThat(TapTone.of(new Recording(noise(RATE, 1.5, 0.2, seed), RATE)).clear()).as("noise " + seed).isFalse();
        }
        assertThat(TapTone.of(new Recording(new double[44_100], RATE)).clear()).isFalse();
        double[] one = taps(RATE, new double[] {200}, new double[] {1}, 0.02, 1);
        double[] two = taps(RATE, new double[] {330}, new double[] {1}, 0.02, 1);
        double[] both = new double[(int) (RATE * 1.9)];
        System.arraycopy(one, 0, both, 0, (int) (RATE * 0.95));
        System.arraycopy(two, 0, both, (int) (RATE * 0.95), both.length - (int) (RATE * 0.95));
        assertThat(TapTone.of(new Recording(both, RATE)).clear()).isFalse();
    }

    /** Recomputed figures for FEP 0.127 mm over 130 by 80 mm: a tone of 300 Hz is 456.3 N/m dry, 621.6 N/m with the air, 3.593 MPa. */
    @Test
    void tensionFromTheTone() {
        FilmTension t = FilmTension.of(300, List.of(), 130, 80, 0.127, 2150);
        assertThat(t.dryNPerM()).isCloseTo(456.3, within(0.05));
        assertThat(t.withAirNPerM()).isCloseTo(621.6, within(0.5));
        assertThat(t.stressMPa()).isCloseTo(3.593, within(0.001));
        assertThat(t.evenness()).isNull();
    }

    /** An even film reads as even only with the air's mass in each mode; without it f21 would say 1.5 and more. */
    @Test
    void anEvenFilmReadsAsEvenAndAnUnevenOneDoesNot() {
        Membrane even = Membrane.ofFep(130, 80, 0.127, 620);
        double f11 = even.toneHz(1, 1);
        assertThat(FilmTension.of(f11, List.of(new TapTone.Peak(f11, 1), new TapTone.Peak(even.toneHz(2, 1), 0.5)), 130, 80, 0.127, 2150).evenness()).isCloseTo(1, within(1e-6));
        Double uneven = FilmTension.of(f11, List.of(new TapTone.Peak(f11, 1), new TapTone.Peak(even.toneHz(2, 1) * 1.05, 0.5)), 130, 80, 0.127, 2150).evenness();
        assertThat(uneven).isGreaterThan(1.2);
        assertThat(FilmTension.of(f11, List.of(new TapTone.Peak(f11, 1)), 130, 80, 0.127, 2150).evenness()).isNull();
    }

    @Test
    void aSquareWindowCannotTellItsTwoModesApart() {
        Membrane even = Membrane.ofFep(100, 100, 0.127, 620);
        assertThat(FilmTension.of(even.toneHz(1, 1), List.of(new TapTone.Peak(even.toneHz(2, 1), 1)), 100, 100, 0.127, 2150).evenness()).isNull();
    }

    /** An octave is 1200 cents, an equal-tempered semitone 100 (ISO 16 tunes A to 440 Hz). */
    @Test
    void centsFromAReference() {
        assertThat(FilmTension.cents(600, 300)).isCloseTo(1200, within(1e-9));
        assertThat(FilmTension.cents(466.1638, 440)).isCloseTo(100, within(1e-3));
    }

    /** Published by hand: 0.92 then, 0.80 now, times 1.15. */
    @Test
    void exposureThroughACloudierFilm() {
        assertThat(ClearExposure.seconds(2.0, 0.92, 0.80)).isCloseTo(2.3, within(1e-12));
    }

    @ParameterizedTest
    @CsvSource({"8, 1, false", "16, 1, false", "16, 2, false", "24, 1, false", "24, 2, false", "32, 1, false", "32, 1, true", "32, 2, true"})
    void everyUsualWavIsRead(int bits, int channels, boolean floats) throws IOException {
        double[] sound = taps(RATE, new double[] {300}, new double[] {1}, 0.02, 4);
        Recording read = Recording.ofWav(wav(sound, bits, channels, floats));
        assertThat(read.rateHz()).isEqualTo(RATE);
        assertThat(read.samples()).hasSize(sound.length);
        assertThat(read.samples()[20_000]).isCloseTo(sound[20_000], within(bits == 8 ? 0.01 : 1e-4));
        assertThat(TapTone.of(read).fundamentalHz()).isCloseTo(300, within(3.0));
    }

    @Test
    void whatIsNoRecordingIsSaidSo() throws IOException {
        assertThatIllegalArgumentException().isThrownBy(() -> Recording.ofWav("RIFF, but no more".getBytes())).withMessageContaining("no WAV");
        assertThatIllegalArgumentException().isThrownBy(() -> Recording.ofWav(new byte[0])).withMessageContaining("no WAV");
        byte[] whole = wav(taps(RATE, new double[] {300}, new double[] {1}, 0.02, 4), 16, 1, false);
        assertThatIllegalArgumentException().isThrownBy(() -> Recording.ofWav(Arrays.copyOf(whole, 4_000))).withMessageContaining("0.2 s");
        assertThatIllegalArgumentException().isThrownBy(() -> Recording.ofWav(wav(new double[44_100 * 31], 16, 1, false))).withMessageContaining("30 s");
    }

    // ---- sounds that are made here

    /** Three taps, 0.9 s apart, each mode dying away in 80 ms; noise of that standard deviation against an amplitude of 1. */
    private static double[] taps(double rate, double[] hz, double[] loud, double noise, long seed) {
        double[] sound = noise(rate, 0.4 + 3 * 0.9, noise * 0.7, seed);
        for (int tap = 0; tap < 3; tap++) {
            int onset = (int) (rate * (0.3 + 0.9 * tap));
            for (int mode = 0; mode < hz.length; mode++) {
                for (int i = onset; i < FastMath.min(sound.length, onset + 0.7 * rate); i++) {
                    double t = (i - onset) / rate;
                    sound[i] += 0.7 * loud[mode] * FastMath.exp(-t / 0.08) * FastMath.sin(2 * FastMath.PI * hz[mode] * t + mode);
                }
            }
        }
        for (int i = 0; i < sound.length; i++) {
            sound[i] = FastMath.max(-1, FastMath.min(1, sound[i]));
        }
        return sound;
    }

    private static double[] noise(double rate, double seconds, double sd, long seed) {
        Random random = new Random(seed);
        double[] sound = new double[(int) (rate * seconds)];
        for (int i = 0; i < sound.length; i++) {
            sound[i] = sd * random.nextGaussian();
        }
        return sound;
    }

    private static byte[] wav(double[] sound, int bits, int channels, boolean floats) throws IOException {
        int width = bits / 8;
        ByteBuffer data = ByteBuffer.allocate(sound.length * width * channels).order(ByteOrder.LITTLE_ENDIAN);
        for (double s : sound) {
            for (int c = 0; c < channels; c++) {
                put(data, s, bits, floats);
            }
        }
        AudioFormat.Encoding encoding = floats ? AudioFormat.Encoding.PCM_FLOAT : bits == 8 ? AudioFormat.Encoding.PCM_UNSIGNED : AudioFormat.Encoding.PCM_SIGNED;
        AudioFormat format = new AudioFormat(encoding, (float) RATE, bits, channels, width * channels, (float) RATE, false);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        AudioSystem.write(new AudioInputStream(new ByteArrayInputStream(data.array()), format, sound.length), AudioFileFormat.Type.WAVE, out);
        return out.toByteArray();
    }

    private static void put(ByteBuffer data, double s, int bits, boolean floats) {
        if (floats) {
            data.putFloat((float) s);
        } else if (bits == 8) {
            data.put((byte) FastMath.round(127.5 + 127 * s));
        } else {
            long value = FastMath.round(s * ((1L << bits - 1) - 1));
            for (int k = 0; k < bits / 8; k++) {
                data.put((byte) (value >> 8 * k));
            }
        }
    }
}
