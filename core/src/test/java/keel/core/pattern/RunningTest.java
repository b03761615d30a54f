package keel.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;

class RunningTest {

    private static final Cusum CHART = new Cusum(0.1, 6, 24);

    private static List<Told> prints(String fared) {
        List<Told> prints = new ArrayList<>();
        for (int i = 0; i < fared.length(); i++) {
            prints.add(new Told(i, Instant.ofEpochSecond(1000L * i), fared.charAt(i) == 'x', Map.of()));
        }
        return prints;
    }

    @Test
    void theRowBeginsWithTheFirstFailureAfterNothing() {
        List<Told> prints = prints(".".repeat(30) + "x.xxxx");
        Collections.shuffle(prints, new Random(1));
        Running now = Running.of(prints, CHART).orElseThrow();
        assertThat(now.since()).isEqualTo(Instant.ofEpochSecond(30_000));
        assertThat(now.row().failed()).isEqualTo(5);
        assertThat(now.row().prints()).isEqualTo(6);
        assertThat(now.before().prints()).isEqualTo(30);
    }

    @Test
    void fewerFailuresAreNoAlarm() {
        assertThat(Running.of(prints(".".repeat(30) + "x.xxx"), CHART)).isEmpty();
        assertThat(Running.of(List.of(), CHART)).isEmpty();
    }

    @Test
    void goodPrintsBringItBackHoweverMuchHadFailed() {
        assertThat(Running.of(prints("x".repeat(20) + ".".repeat(23)), CHART)).isPresent();
        assertThat(Running.of(prints("x".repeat(20) + ".".repeat(24)), CHART)).isEmpty();
    }

    /** A hundred good prints of each of two machines and packs, then a fresh pack that fails on both. */
    @Test
    void aFreshPackIsNamedRatherThanItsMachines() {
        List<Told> prints = new ArrayList<>();
        for (int i = 0; i < 400; i++) {
            String machine = i % 2 == 0 ? "a" : "b";
            boolean fresh = i >= 360 && i % 4 < 2;
            boolean failed = fresh ? i % 8 < 2 : i % 25 == 7;
            prints.add(new Told(
                    i,
                    Instant.ofEpochSecond(20_000L * i),
                    failed,
                    Map.of(Trait.MACHINE, machine, Trait.FILM_PACK, fresh ? "k2" : "k1", Trait.ROOM, "r")));
        }
        Instant now = Instant.ofEpochSecond(20_000L * 400);
        assertThat(Running.among(prints, Set.of(), now).keySet())
                .contains(new Pattern.Group(Trait.FILM_PACK, "k2"))
                .doesNotContain(new Pattern.Group(Trait.FILM_PACK, "k1"));
        assertThat(Running.among(prints, Set.of(new Pattern.Group(Trait.FILM_PACK, "k2")), now))
                .as("what is named already is not named again")
                .doesNotContainKey(new Pattern.Group(Trait.FILM_PACK, "k2"));
    }

    @Test
    void whereNobodyKnowsWhatIsUsualThereIsNoChart() {
        List<Told> few = prints("xxxxxxxx");
        assertThat(Running.chart(
                        few, new Pattern.Group(Trait.MACHINE, "a"), few.get(7).at()))
                .isEmpty();
    }
}
