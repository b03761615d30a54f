package keel.core.measure;

import java.util.Arrays;
import java.util.Collection;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import keel.core.film.Recording;
import keel.core.film.TapTone;
import keel.core.film.ToneTrace;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;
import org.junit.jupiter.api.Tag;
import org.junit.jupiter.api.Test;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import org.openjdk.jmh.runner.options.TimeValue;
import org.openjdk.jmh.runner.options.VerboseMode;

/**
 * How long five seconds of taps take (JMH), beside one Fourier transform of the same recording in the same run. The aim
 * is under 100 ms.
 */
@Tag("bench")
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
public class SpeedOfListeningBench {

    private static final double RATE = 44_100;
    private static final double[] TAPS_S = {0.5, 1.5, 2.5, 3.5, 4.4};

    private final Recording taps = fiveSeconds();
    private final double[] whole = Arrays.copyOf(taps.samples(), 262_144);

    @Benchmark
    public Complex[] oneFourierTransform() {
        return new FastFourierTransformer(DftNormalization.STANDARD).transform(whole, TransformType.FORWARD);
    }

    @Benchmark
    public TapTone fiveSecondsOfTaps() {
        return TapTone.of(taps);
    }

    @Benchmark
    public ToneTrace theirDrawing() {
        return ToneTrace.of(taps);
    }

    @Test
    void measure() throws Exception {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include("SpeedOfListeningBench")
                        .forks(0)
                        .warmupIterations(3)
                        .measurementIterations(5)
                        .warmupTime(TimeValue.seconds(1))
                        .measurementTime(TimeValue.seconds(1))
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run();
        results.forEach(r -> System.out.printf(
                "  %-22s %10.1f ms%n",
                r.getPrimaryResult().getLabel(), r.getPrimaryResult().getScore()));
    }

    private static Recording fiveSeconds() {
        Random random = new Random(1);
        double[] sound = new double[(int) (5 * RATE)];
        for (int i = 0; i < sound.length; i++) {
            double t = i / RATE;
            sound[i] = 0.05 * random.nextGaussian() + 0.1 * Math.sin(2 * Math.PI * 50 * t);
            for (double tap : TAPS_S) {
                double since = t - tap;
                sound[i] += since < 0
                        ? 0
                        : Math.exp(-since / 0.1)
                                * (0.5 * Math.sin(2 * Math.PI * 300 * since)
                                        + 0.25 * Math.sin(2 * Math.PI * 410 * since));
            }
        }
        return new Recording(sound, RATE);
    }
}
