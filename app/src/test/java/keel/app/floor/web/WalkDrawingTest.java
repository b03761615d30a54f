package keel.app.floor.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import keel.app.floor.round.Rounds;
import keel.app.standing.MachineNow;
import keel.app.support.AppTest;
import keel.core.round.Chore;
import keel.core.round.ChoreKind;
import keel.core.round.Round;
import org.junit.jupiter.api.Test;

/** The walk of a round: rooms, machines, stops in their order. */
class WalkDrawingTest extends AppTest {

    private static final Instant NOW = Instant.parse("2026-03-02T09:00:00Z");

    private static Round.Line line(ChoreKind kind, String key, MachineNow at) {
        Chore chore = new Chore(
                key,
                kind,
                at == null ? null : at.code(),
                at == null ? key : at.name(),
                "do it",
                "",
                5,
                5,
                at == null ? null : at.room(),
                null,
                null,
                new Chore.Waiting(1, 0, ""),
                0,
                true,
                "/");
        return new Round.Line(chore, NOW, false);
    }

    @Test
    void whatIsDoneAtOnePlaceOneAfterTheOtherIsOneStop() {
        MachineNow a = shop.now(shop.maskMachine());
        MachineNow b = shop.now(shop.maskMachine());
        Round round = new Round(
                NOW,
                List.of(
                        line(ChoreKind.HOLD, "1", a),
                        line(ChoreKind.HOLD, "2", a),
                        line(ChoreKind.WASH, "3", null),
                        line(ChoreKind.LOOK_IN, "4", b),
                        line(ChoreKind.BUY, "5", null)),
                List.of());
        WalkDrawing walk = WalkDrawing.of(round, List.of(a, b));
        assertThat(walk.stops()).extracting(WalkDrawing.Stop::numbers).containsExactly("1–2", "3", "4", "5");
        assertThat(walk.stops().get(0).next()).isTrue();
        assertThat(walk.stops()).allSatisfy(s -> assertThat(s.x()).isBetween(0.0, walk.width()));
        assertThat(walk.stops().get(1).x())
                .as("wash and stores lie apart")
                .isNotEqualTo(walk.stops().get(3).x());
        assertThat(walk.path()).startsWith("M").contains("C").doesNotContain(",");
        assertThat(walk.words()).startsWith("In this order: " + a.name() + ": do it");
        assertThat(Rounds.together(round.items())).containsExactly(1, 1, null, null, null);
    }

    @Test
    void anEmptyRoundHasNoWay() {
        WalkDrawing walk = WalkDrawing.of(new Round(NOW, List.of(), List.of()), List.of());
        assertThat(walk.path()).isEmpty();
        assertThat(walk.stops()).isEmpty();
        assertThat(walk.words()).isEqualTo("Nothing to walk to.");
    }
}
