package keel.core.film;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.Collections;
import java.util.Random;
import javax.sound.sampled.AudioFileFormat;
import javax.sound.sampled.AudioFormat;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import org.junit.jupiter.api.Test;

/** What is drawn of a recording is what is in it; the sounds are made here, so their figures are exact. */
class ToneTraceTest {

    private static final double RATE = 22_050;

    @Test
    void tapsStandWhereTheyWereAndTheSpectrumIsStrongestAtTheTone() {
        ToneTrace trace = ToneTrace.of(new Recording(taps(0.6, 300, 0.4, 1.5, 2.4), RATE));
        assertThat(trace.seconds()).isCloseTo(3.2, within(0.01));
        assertThat(trace.tapsAtS()).hasSize(3);
        assertThat(trace.tapsAtS().get(1)).isCloseTo(1.5, within(0.02));
        int strongest = trace.strength().indexOf(Collections.max(trace.strength()));
        assertThat(trace.lowHz() + strongest * trace.stepHz()).isCloseTo(300, within(trace.stepHz()));
        assertThat(trace.strength()).allSatisfy(db -> assertThat(db).isBetween(ToneTrace.FLOOR_DB, 0.0));
        assertThat(trace.swing()).contains(1.0).allSatisfy(s -> assertThat(s).isBetween(0.0, 1.0));
        assertThat(trace.tooLoud()).isFalse();
    }

    @Test
    void whatHitsFullScaleWasTooLoud() {
        double[] loud = Arrays.stream(taps(3, 300, 0.4, 1.5))
                .map(s -> Math.max(-1, Math.min(1, s)))
                .toArray();
        ToneTrace trace = ToneTrace.of(new Recording(loud, RATE));
        assertThat(trace.tooLoud()).isTrue();
        assertThat(trace.clipped()).isBetween(0.001, 0.5);
    }

    @Test
    void silenceIsDrawnAsNothing() {
        ToneTrace trace = ToneTrace.of(new Recording(new double[(int) RATE], RATE));
        assertThat(trace.tapsAtS()).isEmpty();
        assertThat(trace.swing()).allSatisfy(s -> assertThat(s).isZero());
        assertThat(trace.clipped()).isZero();
    }

    /** Two channels of which one is wired the wrong way round cancel one another; the louder is heard by itself. */
    @Test
    void channelsThatCancelAreNotAveraged() throws IOException {
        double[] sound = taps(0.6, 300, 0.4, 1.5);
        byte[] wav = stereo(sound, -1);
        Recording heard = Recording.ofWav(wav);
        assertThat(TapTone.of(heard).fundamentalHz()).isCloseTo(300, within(3.0));
        Recording same = Recording.ofWav(stereo(sound, 1));
        assertThat(same.samples()[12_000]).isCloseTo(sound[12_000], within(1e-3));
        Recording half = Recording.ofWav(stereo(sound, 0));
        assertThat(half.samples()[12_000]).as("the mean of both").isCloseTo(sound[12_000] / 2, within(1e-3));
    }

    /** A tone of 300 Hz passes to the low rate as it is; one of 3 kHz, which would fold onto 1 kHz, does not. */
    @Test
    void theLowRateKeepsWhatFilmsSoundAndNothingElse() {
        double[] low = LowRate.of(new Recording(tone(300), RATE)).samples();
        double[] high = LowRate.of(new Recording(tone(3000), RATE)).samples();
        assertThat(rms(low)).isCloseTo(Math.sqrt(0.5), within(0.01));
        assertThat(rms(high)).isLessThan(0.05);
        assertThat(rms(LowRate.of(new Recording(
                                Arrays.stream(tone(300)).map(s -> s + 0.7).toArray(), RATE))
                        .samples()))
                .as("without its offset")
                .isCloseTo(Math.sqrt(0.5), within(0.01));
    }

    /** Hum of a known strength is taken away to a hundredth of it; a recording without hum stays as it is. */
    @Test
    void humIsTakenAwayAndNothingElse() {
        Random random = new Random(2);
        double[] noise = random.doubles(8_000, -0.01, 0.01).toArray();
        double[] hum = new double[noise.length];
        for (int i = 0; i < hum.length; i++) {
            hum[i] = noise[i]
                    + 0.5 * Math.sin(2 * Math.PI * 50.08 * i / 4000 + 1)
                    + 0.2 * Math.sin(2 * Math.PI * 150.24 * i / 4000);
        }
        boolean[] quiet = new boolean[noise.length];
        Arrays.fill(quiet, true);
        assertThat(rms(Hum.without(hum, 4000, quiet))).isLessThan(0.01);
        assertThat(Hum.without(noise, 4000, quiet)).isSameAs(noise);
        assertThat(Hum.without(hum, 4000, new boolean[noise.length]))
                .as("no quiet to hear it in")
                .isSameAs(hum);
    }

    @Test
    void dyingTonesAreFoundWithTheirDecay() {
        double[] sound = new double[1600];
        for (int i = 0; i < sound.length; i++) {
            double t = i / 4000.0;
            sound[i] = 0.7 * Math.exp(-9 * t) * Math.sin(2 * Math.PI * 220.4 * t)
                    + 0.3 * Math.exp(-16 * t) * Math.cos(2 * Math.PI * 301.7 * t);
        }
        DyingTones.Heard heard = DyingTones.of(sound, 0, sound.length, 4000, 52, 1300);
        assertThat(heard.share()).isGreaterThan(0.999);
        assertThat(heard.tones().get(0).hz()).isCloseTo(220.4, within(0.01));
        assertThat(heard.tones().get(0).decayPerS()).isCloseTo(9, within(0.05));
        assertThat(heard.tones().get(0).strength()).isCloseTo(0.7, within(0.005));
        assertThat(heard.tones().get(1).hz()).isCloseTo(301.7, within(0.02));
        assertThat(heard.tones().get(1).decayPerS()).isCloseTo(16, within(0.1));
    }

    private static double[] taps(double loud, double hz, double... atS) {
        Random random = new Random(1);
        double[] sound = new double[(int) (3.2 * RATE)];
        for (int i = 0; i < sound.length; i++) {
            sound[i] = 0.003 * random.nextGaussian();
            for (double at : atS) {
                double t = i / RATE - at;
                sound[i] += t < 0 ? 0 : loud * Math.exp(-t / 0.08) * Math.sin(2 * Math.PI * hz * t);
            }
        }
        return sound;
    }

    private static double[] tone(double hz) {
        double[] tone = new double[(int) RATE];
        for (int i = 0; i < tone.length; i++) {
            tone[i] = Math.sin(2 * Math.PI * hz * i / RATE);
        }
        return tone;
    }

    private static double rms(double[] sound) {
        return Math.sqrt(Arrays.stream(sound).map(s -> s * s).average().orElse(0));
    }

    private static byte[] stereo(double[] sound, double right) throws IOException {
        byte[] data = new byte[4 * sound.length];
        for (int i = 0; i < sound.length; i++) {
            for (int c = 0; c < 2; c++) {
                short value = (short) Math.round(32_767 * sound[i] * (c == 0 ? 1 : right));
                data[4 * i + 2 * c] = (byte) value;
                data[4 * i + 2 * c + 1] = (byte) (value >> 8);
            }
        }
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        AudioSystem.write(
                new AudioInputStream(
                        new ByteArrayInputStream(data),
                        new AudioFormat((float) RATE, 16, 2, true, false),
                        sound.length),
                AudioFileFormat.Type.WAVE,
                out);
        return out.toByteArray();
    }
}
