package keel.core.run;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import java.util.Set;
import keel.core.Finding;
import keel.core.run.RunGuess.Habit;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class RunGuessTest {

    private static final Instant START = Instant.parse("2026-01-06T08:00:00Z");

    private static List<Finding> findings(double hours, RunGuess g) {
        RunFacts facts = new RunFacts(
                "Gate latch",
                START,
                START.plusMillis(Math.round(hours * 3_600_000)),
                g.layers(),
                g.layerExposureS(),
                g.resinMl(),
                Outcome.GOOD,
                null,
                null);
        return RunRules.check(facts, START, START.plusSeconds(3_000_000));
    }

    /** Whatever is not known, the run that is reckoned is one that the rules take. */
    @Property
    void aGuessIsAlwaysARunThatCanBe(
            @ForAll @DoubleRange(min = 0.02, max = 500) double hours,
            @ForAll @DoubleRange(min = 0.5, max = 90) double secondsALayer,
            @ForAll @DoubleRange(min = 0.1, max = 60) double exposure,
            @ForAll @IntRange(min = 0, max = 3) int known) {
        Double said = known % 2 == 1 ? Double.valueOf(Math.min(exposure, hours * 1800)) : null;
        Habit habit = known > 1 ? new Habit(secondsALayer, exposure, 30.0) : Habit.UNKNOWN;
        assertThat(findings(hours, RunGuess.of(hours, null, said, null, habit))).isEmpty();
    }

    @Test
    void whatIsSaidStays() {
        RunGuess all = RunGuess.of(5, 1800, 2.3, 61.0, Habit.UNKNOWN);
        assertThat(all).isEqualTo(new RunGuess(1800, 2.3, 61, Set.of()));
        RunGuess layers = RunGuess.of(5, 1800, null, null, Habit.UNKNOWN);
        assertThat(layers.layers()).isEqualTo(1800);
        assertThat(layers.guessed()).containsExactlyInAnyOrder(RunNumber.EXPOSURE, RunNumber.RESIN);
    }

    /** By hand: 300 h, 90,000 layers, 50 UV h and 4,500 ml are 12 s and 2 s a layer and 15 ml an hour. */
    @Test
    void itGoesByHowTheMachineHasPrinted() {
        Habit habit = Habit.of(300, 90_000, 50, 4_500);
        assertThat(habit.secondsALayer()).isCloseTo(12, within(1e-9));
        RunGuess g = RunGuess.of(5, null, null, null, habit);
        assertThat(g.layers()).isEqualTo(1500);
        assertThat(g.layerExposureS()).isEqualTo(2.0);
        assertThat(g.resinMl()).isEqualTo(75);
        assertThat(Habit.of(0, 0, 0, 0)).isEqualTo(Habit.UNKNOWN);
    }

    @Test
    void aLongExposureMakesFewerLayers() {
        @Nullable Double exposure = 20.0;
        RunGuess g = RunGuess.of(2, null, exposure, 10.0, Habit.UNKNOWN);
        assertThat(g.layers() * 20.0).isLessThanOrEqualTo(2 * 3600 * 0.71);
        assertThat(g.guessed()).containsExactly(RunNumber.LAYERS);
    }
}
