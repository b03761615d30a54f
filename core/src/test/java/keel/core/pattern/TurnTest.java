package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Histories whose turn is known. */
class TurnTest {

    private static final Instant FROM = Instant.parse("2025-01-01T08:00:00Z");

    private static Told print(int i, boolean failed, String resin) {
        return new Told(i, FROM.plus(Duration.ofHours(10L * i)), failed, Map.of(Trait.RESIN, resin));
    }

    private static List<Told> history(long seed, int before, double low, int after, double high) {
        Random random = new Random(seed);
        List<Told> told = new ArrayList<>();
        for (int i = 0; i < before + after; i++) {
            told.add(print(i, random.nextDouble() < (i < before ? low : high), "grey"));
        }
        return told;
    }

    /** 4 of 120, then 14 of 41 evenly spread: clear, and near the place. */
    @Test
    void findsTheTurnOfAKnownHistory() {
        List<Told> told = new ArrayList<>();
        for (int i = 0; i < 161; i++) {
            told.add(print(i, i < 120 ? i % 30 == 15 : (i - 120) % 3 == 0, "grey"));
        }
        Turn turn = Turn.of(told).orElseThrow();

        assertThat(turn.before().failed()).isEqualTo(4);
        assertThat(turn.after().failed()).isEqualTo(14);
        assertThat(turn.before().prints()).isEqualTo(120);
        assertThat(turn.firstAfter()).isEqualTo(told.get(120).at());
        assertThat(turn.notBefore()).isEqualTo(told.get(116).at());
        assertThat(turn.p()).isLessThanOrEqualTo(0.01);
        assertThat(turn.worse()).isTrue();
        assertThat(turn.more().difference()).isCloseTo(14 / 41.0 - 4 / 120.0, within(1e-12));
    }

    @Test
    void chanceAloneIsSeldomCalledATurn() {
        int called = 0;
        for (long seed = 0; seed < 100; seed++) {
            called += Turn.of(history(seed, 100, 0.1, 0, 0)).isPresent() ? 1 : 0;
        }
        assertThat(called).isLessThanOrEqualTo(5);
    }

    @Test
    void aLargeStepIsMostlyFoundNearItsPlace() {
        int near = 0;
        for (long seed = 0; seed < 40; seed++) {
            List<Told> told = history(seed, 80, 0.05, 40, 0.4);
            near += Turn.of(told)
                            .filter(t -> Duration.between(told.get(80).at(), t.firstAfter())
                                            .abs()
                                            .toHours()
                                    <= 100)
                            .isPresent()
                    ? 1
                    : 0;
        }
        assertThat(near).isGreaterThanOrEqualTo(32);
    }

    /** Another resin since then, which fails more often everywhere: within each resin nothing turned. */
    @Test
    void anotherMixOfResinsIsNoTurn() {
        Random random = new Random(4);
        List<Told> told = new ArrayList<>();
        for (int i = 0; i < 160; i++) {
            boolean tough = random.nextInt(20) == 0 == i < 90;
            told.add(print(i, random.nextDouble() < (tough ? 0.4 : 0.04), tough ? "tough" : "grey"));
        }
        assertThat(Turn.of(told)).isEmpty();
        assertThat(Turn.of(told.stream()
                        .map(t -> new Told(t.id(), t.at(), t.failed(), Map.of()))
                        .toList()))
                .as("not knowing the resins it would be called one")
                .isPresent();
    }

    @Test
    void fewPrintsSayNothing() {
        assertThat(Turn.of(List.of())).isEmpty();
        assertThat(Turn.of(history(1, 5, 0, 10, 1))).isEmpty();
    }
}
