package keel.core.round;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import keel.core.standing.Defaults;
import org.assertj.core.api.Assertions;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** Waiting costs are the shop's own figures and common practice, no source; orders are checked in the plan's tests. */
class RoundTest {

    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");
    private static final WaitCosts COSTS = new WaitCosts(Defaults.shipped());

    private static Chore chore(String key, ChoreKind kind, double minutes, double perHour) {
        return chore(key, kind, null, minutes, perHour, 0, null);
    }

    private static Chore chore(
            String key,
            ChoreKind kind,
            @Nullable String machine,
            double minutes,
            double perHour,
            double idle,
            @Nullable Instant from) {
        return new Chore(
                key,
                kind,
                machine,
                key,
                "do " + key,
                "because",
                minutes,
                (int) minutes,
                "long-room",
                from,
                null,
                new Chore.Waiting(perHour, idle, "why"),
                0,
                true,
                "/" + key);
    }

    private static List<String> keys(List<Round.Line> lines) {
        return lines.stream().map(l -> l.chore().key()).toList();
    }

    private static Round.Asked with(@Nullable Double minutes, List<String> mine, Map<ChoreKind, Double> weights) {
        return new Round.Asked(NOW, minutes, null, 1, mine, List.of(), weights);
    }

    /** The figures that ship: 3 an hour of a machine, 10 % of prints fail unseen and waste 1.50 an hour more. */
    @Test
    void anOverdueLookGoesBeforeACleanUpThatCanWait() {
        double look = COSTS.unseen(null);
        assertThat(look).isCloseTo(0.1 * 4.5, Assertions.within(1e-12));
        Chore clean = chore("clean", ChoreKind.HOLD, "curlew", 25, 0, COSTS.idle(0.6), null);
        Round round = Round.of(List.of(clean, chore("look", ChoreKind.LOOK_IN, 1, look)), Round.Asked.at(NOW));
        assertThat(keys(round.items())).containsExactly("look", "clean");
        assertThat(round.items().get(1).startAt()).isEqualTo(NOW.plusSeconds(60));
    }

    @Test
    void aPrintThatSoaksGoesBeforeAFilmThatIsDue() {
        Chore film = chore("film", ChoreKind.PART_CHANGE, 50, 0.4);
        Chore bath = chore("bath", ChoreKind.OUT_OF_BATH, 3, COSTS.spoils(WaitCosts.Stage.BATH, 84));
        assertThat(keys(Round.of(List.of(film, bath), Round.Asked.at(NOW)).items()))
                .containsExactly("bath", "film");
    }

    @Test
    void airThatHurtsPeopleGoesBeforeAnything() {
        Chore idle = chore("hold", ChoreKind.HOLD, "curlew", 3, 0, COSTS.idle(24.0), null);
        Chore air = chore("air", ChoreKind.AIR_ALARM, 5, COSTS.flat("AIR_ALARM"));
        assertThat(keys(Round.of(List.of(idle, air), Round.Asked.at(NOW)).items()))
                .containsExactly("air", "hold");
        Chore dear = chore("dear", ChoreKind.OUT_OF_BATH, 1, 10_000);
        Round few = Round.of(List.of(dear, air), with(5.0, List.of("dear"), Map.of()));
        assertThat(keys(few.items())).containsExactly("air", "dear");
        assertThat(few.items().get(0).mine()).isFalse();
        Round less = Round.of(List.of(idle, dear, air), with(4.0, List.of(), Map.of()));
        assertThat(keys(less.items())).as("what fits the minutes").containsExactly("dear", "hold");
        assertThat(keys(less.notToday())).containsExactly("air");
    }

    @Test
    void whatIsMineStaysFirstAndTheRestComesAfterIt() {
        List<Chore> chores = List.of(
                chore("cheap", ChoreKind.WASTE, 10, 0.1),
                chore("dear", ChoreKind.LOOK_IN, 1, 30),
                chore("ends", ChoreKind.PRINT_ENDS, null, 4, 1, 0, NOW.plusSeconds(1800)));
        Round round = Round.of(chores, with(null, List.of("cheap", "gone"), Map.of()));
        assertThat(keys(round.items())).containsExactly("cheap", "dear", "ends");
        assertThat(round.items().get(0).mine()).isTrue();
        assertThat(round.items().get(1).startAt()).isEqualTo(NOW.plusSeconds(600));
        assertThat(round.items().get(2).startAt()).isEqualTo(NOW.plusSeconds(1800));
    }

    @Test
    void whatDoesNotFitTheMinutesOrTheDayIsNotForNow() {
        List<Chore> chores = List.of(
                chore("long", ChoreKind.PART_CHANGE, 50, 5),
                chore("short", ChoreKind.LOOK_IN, 5, 1),
                chore("tomorrow", ChoreKind.RULE, null, 5, 9, 0, NOW.plusSeconds(86_400)));
        Round round = Round.of(chores, with(25.0, List.of(), Map.of()));
        assertThat(keys(round.items())).containsExactly("short");
        assertThat(keys(round.notToday())).containsExactly("long", "tomorrow");
        assertThat(round.notToday().get(1).startAt()).isEqualTo(NOW.plusSeconds(86_400));
    }

    /** 6 min of washing, then 6.5 min until it is out of the bath again. */
    @Test
    void nothingGoesIntoTheBathThatNobodyTakesOut() {
        Chore wash = new Chore(
                "wash",
                ChoreKind.WASH,
                null,
                "Wash place",
                "Wash",
                "",
                6,
                6,
                null,
                null,
                null,
                new Chore.Waiting(5, 0, "why"),
                6.5,
                true,
                "/wash");
        assertThat(Round.of(List.of(wash), with(12.0, List.of(), Map.of())).items())
                .isEmpty();
        assertThat(Round.of(List.of(wash), with(13.0, List.of(), Map.of())).items())
                .hasSize(1);
        assertThat(Round.of(List.of(wash), Round.Asked.at(NOW)).items()).hasSize(1);
    }

    @Test
    void whatHoldsOneMachineIsDoneInItsOrder() {
        List<Chore> chores = IntStream.range(0, 3)
                .mapToObj(i -> chore("h" + i, ChoreKind.HOLD, "curlew", 20 - 8 * i, i, 3, null))
                .toList();
        assertThat(keys(Round.of(chores, Round.Asked.at(NOW)).items())).containsExactly("h0", "h1", "h2");
    }

    @Test
    void whatWasSaidToWaitCountsLessButNeverNothing() {
        assertThat(WaitCosts.weight(0)).isEqualTo(1);
        assertThat(WaitCosts.weight(4)).isEqualTo(0.5);
        assertThat(WaitCosts.weight(1000)).isEqualTo(0.2);
        List<Chore> chores = List.of(chore("waste", ChoreKind.WASTE, 10, 0.4), chore("buy", ChoreKind.BUY, 10, 0.3));
        assertThat(keys(Round.of(chores, Round.Asked.at(NOW)).items())).containsExactly("waste", "buy");
        assertThat(keys(Round.of(chores, with(null, List.of(), Map.of(ChoreKind.WASTE, WaitCosts.weight(4))))
                        .items()))
                .containsExactly("buy", "waste");
    }

    /** 3 an hour: at 12 h a day something always waits; unknown is half, never nothing. */
    @Test
    void anIdleMachineCostsByTheChanceThatSomethingWaits() {
        assertThat(COSTS.idle(12.0)).isEqualTo(3);
        assertThat(COSTS.idle(6.0)).isEqualTo(1.5);
        assertThat(COSTS.idle(20.0)).isEqualTo(3);
        assertThat(COSTS.idle(0.0)).isCloseTo(0.3, Assertions.within(1e-12));
        assertThat(COSTS.idle(null)).isEqualTo(1.5);
    }

    /** 84 ml at 38 a litre, 8 h at 3, 14 min at 18 an hour. */
    @Test
    void aPrintIsWorthItsResinItsHoursAndTheWork() {
        assertThat(COSTS.printOf(84)).isCloseTo(3.192 + 24 + 4.2, Assertions.within(1e-9));
        assertThat(COSTS.spoils(WaitCosts.Stage.BATH, 84)).isCloseTo(0.2 * 31.392, Assertions.within(1e-9));
        assertThat(COSTS.spoils(WaitCosts.Stage.CURED, 84)).isCloseTo(0.05 * 31.392, Assertions.within(1e-9));
    }

    @Test
    void anEmptyShopHasAnEmptyRound() {
        Round none = Round.of(List.of(), Round.Asked.at(NOW));
        assertThat(none.items()).isEmpty();
        assertThat(none.notToday()).isEmpty();
    }
}
