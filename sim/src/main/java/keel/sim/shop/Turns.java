package keel.sim.shop;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.sim.world.Machine;

/** Plays what the story wants to happen. */
final class Turns {

    private static final double SOUND_H = 2500;

    private final Machine machine;
    private final Hands hands;
    private final Records records;

    Turns(Machine machine, Hands hands, Records records) {
        this.machine = machine;
        this.hands = hands;
        this.records = records;
    }

    /** @return when it is done */
    Instant play(Turn turn, Instant at) {
        return switch (turn.kind()) {
            case FILM -> film(turn, at);
            case BOLTS_LOOSE -> {
                machine.vat().leaveBoltsLoose();
                yield at;
            }
            case BOLTS_FOUND -> boltsFound(turn, at);
            case SPLASH -> splash(turn, at);
            case RESIN -> resin(turn, at);
            case GREASE -> hands.grease(at);
            case PLATE -> hands.abrade(at, true);
            case LEVEL -> hands.level(at, true);
            case SETTINGS -> {
                hands.set(at, turn.settings(), turn.note());
                yield at.plus(Duration.ofMinutes(4));
            }
        };
    }

    private Instant film(Turn turn, Instant at) {
        Instant done = hands.fitFilm(at, turn.detail(), turn.note());
        machine.vat().film().lastsAtLeast(SOUND_H);
        machine.vat().tightenBolts();
        machine.vat().wipeOutside();
        return done;
    }

    private Instant boltsFound(Turn turn, Instant at) {
        String failure = records.key();
        String code = machine.site().code();
        records.add(new Happening.FailureSeen(
                at.plus(Duration.ofMinutes(5)),
                "keeper",
                code,
                failure,
                null,
                List.of("vat-rides-up", "layer-split", "part-missing"),
                List.of("film-slack", "bits-in-vat"),
                List.of(),
                turn.detail()));
        records.add(new Truth(
                at.plus(Duration.ofMinutes(5)),
                code,
                null,
                failure,
                List.of("vat-bolts-loose"),
                Map.of("vat-bolts", List.of("vat-bolts-loose")),
                21));
        records.add(new Happening.CheckDone(
                at.plus(Duration.ofMinutes(8)), "keeper", failure, "vat-bolts", List.of("vat-bolts-loose")));
        records.add(new Happening.CauseNamed(
                at.plus(Duration.ofMinutes(10)), "keeper", failure, "vat-bolts-loose", "FOUND", turn.note()));
        hands.cleanUp(at.plus(Duration.ofMinutes(30)), "keeper", false);
        hands.inspectVat(at.plus(Duration.ofMinutes(34)), true, List.of());
        machine.vat().tightenBolts();
        Instant levelled = hands.level(at.plus(Duration.ofMinutes(45)), false);
        hands.backToTheSheet(levelled, "It was the vat bolts, not the light.");
        return levelled.plus(Duration.ofMinutes(5));
    }

    private Instant splash(Turn turn, Instant at) {
        machine.vat().splash();
        machine.screen().wetAt(machine.cells().count() - machine.cells().count() / 4, 14);
        String failure = records.key();
        String code = machine.site().code();
        records.add(new Happening.FailureSeen(
                at,
                "operator",
                code,
                failure,
                null,
                List.of("wet-under-vat", "region-bare"),
                List.of("film-cloudy"),
                List.of("E1", "F1", "E2"),
                turn.detail()));
        records.add(new Truth(
                at,
                code,
                null,
                failure,
                List.of("spill", "resin-on-screen"),
                Map.of("leak-check", List.of("spill")),
                21));
        records.add(new Happening.CheckDone(
                at.plus(Duration.ofMinutes(12)), "keeper", failure, "leak-check", List.of("spill")));
        hands.cleanUp(at.plus(Duration.ofMinutes(25)), "keeper", false);
        machine.vat().wipeOutside();
        Instant done = hands.changeScreen(at.plus(Duration.ofMinutes(28)), "RESIN", null);
        machine.vat().wipeOutside();
        records.add(new Happening.CauseNamed(done, "keeper", failure, "spill", "FOUND", turn.note()));
        return done.plus(Duration.ofMinutes(3));
    }

    private Instant resin(Turn turn, Instant at) {
        hands.cleanUp(at.plus(Duration.ofMinutes(24)), "keeper", true);
        hands.pour(
                at.plus(Duration.ofMinutes(30)),
                "keeper",
                turn.detail(),
                Math.round(machine.site().fillMl() * 0.66));
        return at.plus(Duration.ofMinutes(40));
    }
}
