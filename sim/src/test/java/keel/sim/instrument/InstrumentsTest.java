package keel.sim.instrument;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import javax.sound.sampled.AudioInputStream;
import javax.sound.sampled.AudioSystem;
import javax.sound.sampled.UnsupportedAudioFileException;
import keel.core.film.Membrane;
import keel.core.plate.PlateLevel;
import keel.core.scale.ScaleCorrection;
import keel.core.screen.GreyPhoto;
import keel.core.screen.ScreenInspection;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import keel.sim.chance.Chance;
import keel.sim.story.Saltmarsh;
import keel.sim.world.Machine;
import keel.sim.world.Parameters;
import keel.sim.world.Rooms;
import org.hipparchus.complex.Complex;
import org.hipparchus.stat.descriptive.DescriptiveStatistics;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;
import org.junit.jupiter.api.Test;

/**
 * Each stand-in shows the truth that it measures, with the noise that it is said to have, and the same again at the
 * same moment.
 */
class InstrumentsTest {

    private static final Parameters A = Parameters.shipped("shop-a");

    /**
     * The strongest tone of a recording is the membrane's lowest mode with its air (Kinsler et al., ch. 4), by
     * Hipparchus' FFT.
     */
    @Test
    void theTapSoundsAtTheFilmsOwnTone() throws Exception {
        for (int seed = 0; seed < 8; seed++) {
            Machine machine = machine(seed);
            double expected = Membrane.ofFep(
                            168, 104, 0.127, machine.vat().film().tensionNPerM())
                    .toneHz(1, 1);
            byte[] wav = Microphone.taps(machine.vat().film(), 168, 104, 0.127, false, Chance.of(seed));
            assertThat(strongestHz(samples(wav))).as("seed %d", seed).isCloseTo(expected, within(0.015 * expected));
        }
    }

    @Test
    void theRecordingIsAnOrdinaryWavFileOfSomeSecondsWithHumInIt() throws Exception {
        byte[] wav = Microphone.taps(machine(1).vat().film(), 168, 104, 0.127, true, Chance.of(1));
        try (AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(wav))) {
            assertThat(in.getFormat().getSampleRate()).isEqualTo(44_100f);
            assertThat(in.getFormat().getSampleSizeInBits()).isEqualTo(16);
            assertThat(in.getFrameLength() / 44_100.0).isBetween(0.2, 30.0);
        }
        double[] quiet = Arrays.copyOf(samples(wav), 8192);
        assertThat(amplitude(quiet, 50)).isGreaterThan(4 * amplitude(quiet, 77));
        assertThat(Microphone.taps(machine(1).vat().film(), 168, 104, 0.127, true, Chance.of(1)))
                .isEqualTo(wav);
    }

    @Test
    void theGaugesReadingsFitThePlateThatIsThere() {
        Machine machine = machine(2);
        List<PlateLevel.Reading> readings = IntStream.range(0, 25)
                .mapToObj(i -> {
                    double x = 8 + i % 5 * 32.0;
                    double y = 5 + i / 5 * 17.5;
                    return new PlateLevel.Reading(x, y, BenchTools.gauge(machine, x, y, Chance.of(4).stream("g", i)));
                })
                .toList();
        PlateLevel level = PlateLevel.of(readings, 144, 81, 0.05, BenchTools.GAUGE_SD_MM);
        double rise = (machine.plate().gapMm(144, 40) - machine.plate().gapMm(0, 40)) / 1.44;
        assertThat(level.tiltXMmPer100()).isCloseTo(rise, within(0.03));
        DescriptiveStatistics noise = new DescriptiveStatistics();
        IntStream.range(0, 2000)
                .forEach(i -> noise.addValue(BenchTools.gauge(machine, 40, 40, Chance.of(5).stream("n", i))));
        assertThat(noise.getStandardDeviation()).isCloseTo(0.0104, within(0.001));
    }

    /**
     * A machine with a wrong size in its definition: the scale that core works out from the calipers is that one,
     * within its range.
     */
    @Test
    void theCalipersShowTheScaleThatTheMachineHas() {
        int covered = 0;
        for (int seed = 0; seed < 40; seed++) {
            Machine machine = machine(seed);
            Chance chance = Chance.of(seed).stream("calipers");
            List<ScaleCorrection.Measurement> lengths = IntStream.range(0, 8)
                    .mapToObj(i -> new ScaleCorrection.Measurement(
                            i < 4 ? 15 : 60, BenchTools.calipers(machine, i < 4 ? 15 : 60, chance.stream("n", i))))
                    .toList();
            ScaleCorrection scale = ScaleCorrection.of(lengths);
            double truth = 1 / machine.quirks().definitionScale();
            covered += scale.low() != null && scale.low() - 0.001 <= truth && truth <= scale.high() + 0.001 ? 1 : 0;
        }
        assertThat(covered).isGreaterThan(32);
    }

    @Test
    void theUvMeterShowsLightFilmAndPatches() {
        Machine machine = machine(3);
        double bare = BenchTools.uv(machine, 70, 40, false, Chance.of(1));
        double through = BenchTools.uv(machine, 70, 40, true, Chance.of(1));
        assertThat(through / bare).isCloseTo(machine.vat().film().clearTransmittance(), within(0.03));
        IntStream.of(machine.cells().under(70, 40, 1, 1)).forEach(c -> IntStream.range(0, 20)
                .forEach(i -> machine.screen().crush(c)));
        assertThat(BenchTools.uv(machine, 70, 40, false, Chance.of(1))).isLessThan(0.1);
    }

    /** The photograph shows the marks dark at the corners, the field bright, a patch dark, and is not square on. */
    @Test
    void thePhotographShowsWhatTheScreenShows() throws IOException {
        Machine machine = machine(4);
        BufferedImage sound = ImageIO.read(new ByteArrayInputStream(
                Camera.photograph(machine, TestPicture.of(TestPattern.WHITE, 5760, 3240), Chance.of(6))));
        assertThat(grey(sound, 0.5, 0.5)).isGreaterThan(150);
        assertThat(grey(sound, 0.02, 0.02)).isLessThan(40);
        assertThat(inspected(sound).found()).as("its marks can be read").isTrue();
        assertThat(inspected(sound).spots()).isEmpty();
        assertThat(grey(sound, 0.2, 0.5)).as("darker towards the rim").isLessThan(grey(sound, 0.5, 0.5));
        IntStream.range(0, 20)
                .forEach(i -> machine.screen().crush(machine.cells().under(72, 40, 1, 1)[0]));
        BufferedImage patched = ImageIO.read(new ByteArrayInputStream(
                Camera.photograph(machine, TestPicture.of(TestPattern.WHITE, 5760, 3240), Chance.of(6))));
        assertThat(grey(patched, 0.5, 0.5)).isLessThan(60);
        assertThat(inspected(patched).spots()).anySatisfy(s -> assertThat(Math.hypot(s.xMm() - 72, s.yMm() - 40))
                .isLessThan(6));
        BufferedImage black = ImageIO.read(new ByteArrayInputStream(
                Camera.photograph(machine(4), TestPicture.of(TestPattern.BLACK, 5760, 3240), Chance.of(6))));
        assertThat(grey(black, 0.5, 0.5)).isLessThan(40);
    }

    private static ScreenInspection inspected(BufferedImage photo) {
        byte[] grey = new byte[photo.getWidth() * photo.getHeight()];
        for (int i = 0; i < grey.length; i++) {
            grey[i] = (byte) photo.getRaster().getSample(i % photo.getWidth(), i / photo.getWidth(), 0);
        }
        return ScreenInspection.of(
                new GreyPhoto(photo.getWidth(), photo.getHeight(), grey),
                TestPicture.of(TestPattern.WHITE, 5760, 3240),
                144,
                81);
    }

    /**
     * After a wash the vapour decays as dilution says: C = C₀·exp(−N·t); the slope of its logarithm is the air
     * change rate.
     */
    @Test
    void vapourIsAiredAwayExponentially() {
        Instant end = Instant.parse("2025-05-02T00:00:00Z");
        Rooms rooms = new Rooms(A, Chance.of(1), end.minus(Duration.ofDays(3)), end);
        Instant wash = end.minus(Duration.ofHours(6));
        List<AirSensor.Minute> day =
                AirSensor.minutes(rooms, "long-room", end, Duration.ofHours(24), List.of(wash), Chance.of(2));
        assertThat(day).hasSizeBetween(1380, 1441);
        double early = mean(day, wash.plusSeconds(120)) - 90;
        double later = mean(day, wash.plusSeconds(120 + 1800)) - 90;
        double mesh = rooms.at("long-room", wash).openMesh();
        assertThat(Math.log(early / later) * 2).isCloseTo(4 * (0.3 + 0.7 * mesh), within(0.6));
        assertThat(AirSensor.minutes(rooms, "long-room", end, Duration.ofHours(24), List.of(wash), Chance.of(2)))
                .isEqualTo(day);
    }

    private static double mean(List<AirSensor.Minute> day, Instant around) {
        return day.stream()
                .filter(m -> Math.abs(Duration.between(m.at(), around).toSeconds()) <= 120)
                .mapToDouble(AirSensor.Minute::vapourPpb)
                .average()
                .orElseThrow();
    }

    private static int grey(BufferedImage image, double x, double y) {
        return image.getRaster().getSample((int) (x * (image.getWidth() - 1)), (int) (y * (image.getHeight() - 1)), 0);
    }

    private static double[] samples(byte[] wav) throws IOException, UnsupportedAudioFileException {
        try (AudioInputStream in = AudioSystem.getAudioInputStream(new ByteArrayInputStream(wav))) {
            byte[] bytes = in.readAllBytes();
            return IntStream.range(0, bytes.length / 2)
                    .mapToDouble(i -> (short) ((bytes[2 * i] & 0xff) | bytes[2 * i + 1] << 8))
                    .toArray();
        }
    }

    private static double strongestHz(double[] samples) {
        double[] window = Arrays.copyOfRange(samples, 8000, 8000 + 65_536);
        Complex[] spectrum =
                new FastFourierTransformer(DftNormalization.STANDARD).transform(window, TransformType.FORWARD);
        int from = (int) (70 * 65_536 / 44_100.0);
        int best = IntStream.range(from, 65_536 / 16)
                .reduce((a, b) -> spectrum[b].norm() > spectrum[a].norm() ? b : a)
                .orElseThrow();
        return best * 44_100.0 / 65_536;
    }

    private static double amplitude(double[] samples, double hz) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < samples.length; i++) {
            re += samples[i] * Math.cos(2 * Math.PI * hz * i / 44_100);
            im += samples[i] * Math.sin(2 * Math.PI * hz * i / 44_100);
        }
        return Math.hypot(re, im);
    }

    private static Machine machine(int seed) {
        Machine machine = new Machine(Saltmarsh.sites().get(0), A, Chance.of(500 + seed));
        machine.changeFilm(false);
        machine.vat().pour("reed-grey", 200);
        return machine;
    }
}
