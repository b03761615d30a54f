package keel.core.measure;

import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import keel.core.diagnosis.Bayes;
import keel.core.diagnosis.Diagnosis;
import keel.core.diagnosis.Diagnostician;
import keel.core.diagnosis.Evidence;
import keel.core.diagnosis.Odds;
import keel.core.knowledge.Knowledge;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.knowledge.Symptom;
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
 * How long one diagnosis takes (JMH), beside one pass of Bayes' rule over as many causes in the same run. The aim is
 * under 10 ms.
 */
@Tag("bench")
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class SpeedOfDiagnosisBench {

    private final Knowledge knowledge = KnowledgeFiles.shipped();
    private final Odds odds = Odds.shipped(knowledge);
    private final Diagnostician diagnostician = new Diagnostician(knowledge, odds);
    private final Evidence usual = new Evidence(
            Set.of("layer-split", "part-missing"),
            Set.of("film-cloudy"),
            List.of(new Evidence.Done("vat-bolts", List.of())),
            Set.of("film-old", "plate-handled", "vat-handled", "resin-cold"));
    private final Evidence everything = new Evidence(
            knowledge.symptoms().stream().map(Symptom::code).collect(Collectors.toCollection(LinkedHashSet::new)),
            Set.of(),
            List.of(
                    new Evidence.Done("look-under-vat", List.of("film-pierced")),
                    new Evidence.Done("feel-vat", List.of())),
            Set.of("film-old", "plate-handled"));
    private final double[] weights =
            knowledge.causes().stream().mapToDouble(c -> c.weight()).toArray();

    @Benchmark
    public double[] bayesAlone() {
        return Bayes.normalised(weights);
    }

    @Benchmark
    public Diagnosis aUsualFailure() {
        return diagnostician.diagnose(usual);
    }

    @Benchmark
    public Diagnosis everySymptomAtOnce() {
        return diagnostician.diagnose(everything);
    }

    @Benchmark
    public Diagnosis withTheShopsOdds() {
        return new Diagnostician(knowledge, odds).diagnose(usual);
    }

    @Test
    void measure() throws Exception {
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include("SpeedOfDiagnosisBench")
                        .forks(0)
                        .warmupIterations(3)
                        .measurementIterations(5)
                        .warmupTime(TimeValue.seconds(1))
                        .measurementTime(TimeValue.seconds(1))
                        .verbosity(VerboseMode.SILENT)
                        .build())
                .run();
        results.forEach(r -> System.out.printf(
                "  %-22s %10.1f us%n",
                r.getPrimaryResult().getLabel(), r.getPrimaryResult().getScore()));
    }
}
