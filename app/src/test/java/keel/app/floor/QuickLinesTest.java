package keel.app.floor;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import java.util.List;
import keel.app.air.Air;
import keel.app.base.Conflict;
import keel.app.base.NotThere;
import keel.app.base.Paging;
import keel.app.failures.FailureView;
import keel.app.failures.Failures;
import keel.app.film.FilmLooks;
import keel.app.film.Vats;
import keel.app.prints.HoldsOpen;
import keel.app.prints.Runs;
import keel.app.shell.ShopClock;
import keel.app.standing.MachineNow;
import keel.app.stores.Stock;
import keel.app.support.AppTest;
import keel.core.film.Clouding;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;

class QuickLinesTest extends AppTest {

    @Autowired
    private QuickLines lines;

    @Autowired
    private Runs runs;

    @Autowired
    private Failures failures;

    @Autowired
    private Stock stock;

    @Autowired
    private Air air;

    @Autowired
    private Vats vats;

    @Autowired
    private FilmLooks looks;

    @Autowired
    private ShopClock clock;

    @AfterEach
    void realTime() {
        clock.tell(null);
    }

    @Test
    void readingWritesNothing() {
        String m = shop.maskMachine();
        Understood read = lines.read(m + " failed bare-plate");
        assertThat(read.understood()).isTrue();
        assertThat(read.committed()).isFalse();
        assertThat(read.reading()).contains("failed, bare plate");
        assertThat(shop.holds(m)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "failed bare-plate at B2: note",
                "run 5h20 84ml 1180layers 2.3s hinge patterns",
                "film new 0.127 clouded",
                "screen new dark",
                "levelled",
                "cleared",
                "cleaned quick sieved",
                "vat hole",
                "screen spots",
                "greased",
                "plate abraded",
                "plate new",
                "dropped",
                "stance ok",
                "off",
                "firmware 1.4.2",
                "start 1180layers 2.3s 84ml hinge"
            })
    void whatALineWritesIsTakenBackWhole(String rest) {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.service(m, "PLATE_CLEARED", 6);
        List<Object> before = state(m);
        Understood done = lines.commit(m + " " + rest);
        assertThat(done.committed()).as(done.reading()).isTrue();
        assertThat(lines.undo(done.undo())).isEqualTo(done.reading());
        assertThat(state(m)).isEqualTo(before);
    }

    @Test
    void aRunThatGoesOnIsFinishedAndGoesOnAgainWhenThatWasWrong() {
        String m = shop.maskMachine();
        lines.commit(m + " start 1180layers 2.3s 84ml latch");
        clock.tell(Instant.now().plusSeconds(7200));
        Understood done = lines.commit(m + " done stopped layer 400");
        assertThat(shop.now(m).run()).isNull();
        assertThat(runs.last(m).orElseThrow().reachedLayer()).isEqualTo(400);
        lines.undo(done.undo());
        assertThat(shop.now(m).run()).isNotNull();
        assertThat(shop.now(m).total().hours()).isZero();
    }

    @Test
    void aFailureWhileItPrintsBelongsToTheRun() {
        String m = shop.maskMachine();
        lines.commit(m + " start 1180layers 2.3s 84ml latch");
        lines.commit(m + " failed layer-split");
        assertThat(failures.list(m, false, Paging.of(0, 5)).get(0).job()).isEqualTo("Latch");
    }

    @Test
    void storesAndRoomsAreWrittenAndTakenBack() {
        String item = shop.item("Grease", 10);
        Understood out = lines.commit("stores " + item + " -3");
        assertThat(stock.one(item).quantity()).isEqualTo(7);
        lines.undo(out.undo());
        assertThat(stock.one(item).quantity()).isEqualTo(10);
        String m = shop.maskMachine();
        String room = shop.now(m).room();
        Understood read = lines.commit(room + " 19.5C 48%");
        assertThat(temperature(room)).isCloseTo(19.5, within(1e-9));
        lines.undo(read.undo());
        assertThat(temperature(room)).isNull();
        lines.commit("room " + room + " 70F");
        assertThat(temperature(room)).isCloseTo(21.111, within(1e-3));
    }

    @Test
    void oneLineForSeveralMachinesIsWrittenAndTakenBackAsOne() {
        String one = shop.maskMachine();
        String other = shop.maskMachine();
        shop.run(one, 1, 4);
        shop.run(other, 1, 4);
        Understood done = lines.commit("cleared " + one + " and " + other + ", levelled");
        assertThat(done.committed()).as(done.reading()).isTrue();
        assertThat(shop.holds(one)).doesNotContain("plate-not-clear");
        assertThat(shop.holds(other)).doesNotContain("plate-not-clear");
        assertThat(shop.now(other).levelledAt()).isNotNull();
        lines.undo(done.undo());
        assertThat(shop.holds(one)).contains("plate-not-clear");
        assertThat(shop.holds(other)).contains("plate-not-clear");
        assertThatExceptionOfType(Conflict.class).isThrownBy(() -> lines.undo(done.undo()));
    }

    @Test
    void ofALineThatCannotBeWrittenWholeNothingIsWritten() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        String item = shop.item("Wipes", 2);
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> lines.commit(m + " cleared, " + item + " -3"))
                .withMessageContaining("2");
        assertThat(shop.holds(m)).contains("plate-not-clear");
        assertThat(stock.one(item).quantity()).isEqualTo(2);
    }

    @Test
    void whatWasDoneAnHourAgoIsWrittenForThen() {
        String m = shop.maskMachine();
        Instant before = Instant.now().minusSeconds(3660);
        Understood then = lines.commit(m + " failed tacky 1 h ago: third time");
        assertThat(then.committed()).as(then.reading()).isTrue();
        FailureView failure = failures.list(m, false, Paging.of(0, 5)).get(0);
        assertThat(failure.seenAt()).isBetween(before, before.plusSeconds(120));
        assertThat(failure.note()).isEqualTo("third time");
        String room = shop.now(m).room();
        lines.commit(room + " 18,5 1 h ago");
        Understood now = lines.commit(room + " 20,5");
        assertThat(temperature(room)).isCloseTo(20.5, within(1e-9));
        lines.undo(now.undo());
        assertThat(temperature(room)).isCloseTo(18.5, within(1e-9));
    }

    @Test
    void howAFilmLooksIsALookAtItAndTakenBack() {
        String m = shop.maskMachine();
        Understood look = lines.commit(m + " film looks milky");
        assertThat(look.path()).startsWith("/vats/");
        String vat = look.path().substring(6);
        long film = vats.one(vat).film().id();
        assertThat(looks.of(film)).extracting(FilmLooks.Look::grade).containsExactly(Clouding.MILKY);
        lines.undo(look.undo());
        assertThat(looks.of(film)).isEmpty();
    }

    @Test
    void aBareNameIsNoEntryAndLeadsToItsPage() {
        String m = shop.maskMachine();
        Understood named = lines.commit(m);
        assertThat(named.understood()).isFalse();
        assertThat(named.committed()).isFalse();
        assertThat(named.path()).isEqualTo("/machines/" + m);
        assertThat(lines.read(m + " film").understood()).isFalse();
        assertThat(lines.read(m + " film").choices()).isNotEmpty();
    }

    @Test
    void holdsForbidAStartByLineToo() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        assertThatExceptionOfType(HoldsOpen.class).isThrownBy(() -> lines.commit(m + " start 900layers 2s 40ml latch"));
        assertThat(shop.now(m).run()).isNull();
    }

    @Test
    void undoIsForWhoeverWroteItOnceAndForAMinute() {
        String m = shop.maskMachine();
        Understood first = lines.commit(m + " levelled");
        shop.as("operator");
        assertThatExceptionOfType(NotThere.class).isThrownBy(() -> lines.undo(first.undo()));
        shop.as("keeper");
        lines.undo(first.undo());
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> lines.undo(first.undo()))
                .withMessageContaining("already");
        Understood second = lines.commit(m + " levelled");
        clock.tell(Instant.now().plusSeconds(61));
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> lines.undo(second.undo()))
                .withMessageContaining("minute is over");
    }

    @Test
    void whatIsNotClearIsNotWritten() {
        String m = shop.machine(MachineKind.LASER_TANK, false);
        Understood asked = lines.commit(m + " film new");
        assertThat(asked.committed()).isFalse();
        assertThat(asked.choices()).isNotEmpty();
        assertThat(shop.holds(m)).isEmpty();
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> lines.commit(m + " done"))
                .withMessageContaining("is not printing");
    }

    private Double temperature(String room) {
        return air.rooms().stream()
                .filter(r -> r.code().equals(room))
                .findFirst()
                .orElseThrow()
                .temperatureC();
    }

    private List<Object> state(String m) {
        MachineNow now = shop.now(m);
        return List.of(
                now.standing().state(),
                shop.holds(m),
                now.film().code(),
                now.film().usage(),
                now.screen().code(),
                now.plate().code(),
                now.total(),
                now.run() == null,
                failures.list(m, false, Paging.of(0, 10)).size(),
                now.sinceLubricated(),
                now.sinceAbraded(),
                String.valueOf(now.levelledAt()));
    }
}
