package keel.core.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import keel.core.Finding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class RunRulesTest {

    private static final Instant SINCE = Instant.parse("2025-01-01T00:00:00Z");
    private static final Instant NOW = Instant.parse("2025-06-01T12:00:00Z");
    private static final Instant START = NOW.minus(Duration.ofHours(6));

    @Test
    void anOrdinaryRunIsInOrder() {
        assertThat(check(run("Latch", START, NOW, 1500, 2.3, 84.0, Outcome.GOOD, null)))
                .isEmpty();
    }

    @Test
    void anOpenRunNeedsNoEndAndNoOutcome() {
        assertThat(check(run("Latch", START, null, 1500, 2.3, 84.0, null, null)))
                .isEmpty();
    }

    @Test
    void itsUsageIsTimeAndLayersTimesExposure() {
        var usage =
                run("Latch", START, NOW, 1500, 2.4, 84.0, Outcome.GOOD, null).usage();
        assertThat(usage.hours()).isEqualTo(6);
        assertThat(usage.uvHours()).isCloseTo(1.0, within(1e-12));
        assertThat(usage.layers()).isEqualTo(1500);
        assertThat(usage.prints()).isEqualTo(1);
        assertThat(usage.resinMl()).isEqualTo(84);
    }

    @Test
    void aRunThatBrokeOffCountsTheLayersItReached() {
        assertThat(run("Latch", START, NOW, 1500, 2.4, 84.0, Outcome.FAILED, 600)
                        .usage()
                        .layers())
                .isEqualTo(600);
    }

    @Test
    void aRunningRunCountsNothingYet() {
        assertThat(run("Latch", START, null, 1500, 2.4, 84.0, null, null)
                        .usage()
                        .hours())
                .isZero();
    }

    @ParameterizedTest
    @CsvSource({
        "0, 2.3, 84, layers",
        "-5, 2.3, 84, layers",
        "70000, 2.3, 84, layers",
        "1500, 0, 84, layerExposureS",
        "1500, -1, 84, layerExposureS",
        "1500, NaN, 84, layerExposureS",
        "1500, 2.3, -1, resinMl",
        "1500, 2.3, 1e9, resinMl",
        "1500, 2.3, Infinity, resinMl"
    })
    void absurdAmountsAreRefusedAtTheirField(int layers, double exposure, double resin, String field) {
        assertThat(check(run("Latch", START, NOW, layers, exposure, resin, Outcome.GOOD, null)))
                .extracting(Finding::field)
                .contains(field);
    }

    @Test
    void moreUvThanTimeIsRefused() {
        assertThat(check(run("Latch", START, NOW, 10_000, 2.3, 84.0, Outcome.GOOD, null)))
                .singleElement()
                .satisfies(f -> assertThat(f.message())
                        .contains("keep the UV on for 6.4 h")
                        .contains("lasted only 6.0 h"));
    }

    @Test
    void anEndBeforeTheStartIsRefused() {
        assertThat(fields(run("Latch", NOW, START, 1500, 2.3, 84.0, Outcome.GOOD, null)))
                .containsExactly("endedAt");
        assertThat(fields(run("Latch", START, START, 1500, 2.3, 84.0, Outcome.GOOD, null)))
                .containsExactly("endedAt");
    }

    @Test
    void theFutureIsRefusedBeyondWhatTwoClocksMayDiffer() {
        assertThat(fields(run("Latch", START, NOW.plusSeconds(60), 1500, 2.3, 84.0, Outcome.GOOD, null)))
                .isEmpty();
        assertThat(fields(run("Latch", START, NOW.plusSeconds(3600), 1500, 2.3, 84.0, Outcome.GOOD, null)))
                .containsExactly("endedAt");
    }

    @Test
    void aRunBeforeTheMachineCameIsRefused() {
        Instant before = SINCE.minusSeconds(7200);
        assertThat(fields(run("Latch", before, SINCE.plusSeconds(3600), 1500, 2.3, 84.0, Outcome.GOOD, null)))
                .containsExactly("startedAt");
    }

    @Test
    void everythingThatIsMissingIsSaidAtOnce() {
        assertThat(fields(new RunFacts(" ", null, NOW, null, null, null, null, null, null)))
                .containsExactlyInAnyOrder("job", "startedAt", "layers", "layerExposureS", "resinMl", "outcome");
    }

    @Test
    void aRunOfAMonthIsNotBelieved() {
        assertThat(fields(run("Latch", NOW.minus(Duration.ofDays(30)), NOW, 1500, 2.3, 84.0, Outcome.GOOD, null)))
                .containsExactly("endedAt");
    }

    @Test
    void theLayerReachedCannotLieBeyondTheLast() {
        assertThat(fields(run("Latch", START, NOW, 1500, 2.3, 84.0, Outcome.FAILED, 1501)))
                .containsExactly("reachedLayer");
    }

    private static RunFacts run(
            String job,
            Instant from,
            Instant to,
            int layers,
            double exposure,
            double resin,
            Outcome outcome,
            Integer reached) {
        return new RunFacts(job, from, to, layers, exposure, resin, outcome, reached, null);
    }

    private static List<Finding> check(RunFacts run) {
        return RunRules.check(run, SINCE, NOW);
    }

    private static List<String> fields(RunFacts run) {
        return check(run).stream().map(Finding::field).toList();
    }
}
