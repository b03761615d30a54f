package keel.app.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;
import static org.assertj.core.api.Assertions.within;

import keel.app.base.Conflict;
import keel.app.bench.Bench;
import keel.app.prints.RunChange;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

class MetersTest extends AppTest {

    @Autowired
    private Runs runs;

    @Autowired
    private Bench bench;

    @Autowired
    private JdbcClient jdbc;

    @Autowired
    private TransactionTemplate transaction;

    @Test
    void aRunFeedsEveryPartItWasPrintedWith() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        MachineNow now = shop.now(m);
        assertThat(now.film().usage().hours()).isCloseTo(4, within(1e-9));
        assertThat(now.film().usage().layers()).isEqualTo(1000);
        assertThat(now.film().usage().prints()).isEqualTo(1);
        assertThat(now.screen().usage().uvHours()).isCloseTo(0.5, within(1e-9));
        assertThat(now.plate().usage().hours()).isCloseTo(4, within(1e-9));
        assertThat(now.vat().usage().resinMl()).isCloseTo(50, within(1e-9));
        assertThat(now.sinceLubricated().hours()).isCloseTo(4, within(1e-9));
    }

    @Test
    void aNewFilmStartsFromZeroAndTheOldOneKeepsItsHours() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        String old = shop.now(m).film().code();
        shop.filmChange(m, 10);
        assertThat(shop.filmHours(m)).isZero();
        assertThat(hoursOf(old)).isCloseTo(4, within(1e-9));
        shop.run(m, 20, 3);
        assertThat(shop.filmHours(m)).isCloseTo(3, within(1e-9));
        assertThat(hoursOf(old)).isCloseTo(4, within(1e-9));
    }

    @Test
    void aFilmChangeEnteredLateTakesTheRunsSinceThenAlong() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.run(m, 20, 3);
        shop.filmChange(m, 10);
        assertThat(shop.filmHours(m)).isCloseTo(3, within(1e-9));
    }

    @Test
    void correctingARunCorrectsEveryMeterItFed() {
        String m = shop.maskMachine();
        RunView run = shop.run(m, 1, 4);
        runs.correct(
                run.id(),
                new RunChange(null, null, null, TestShop.at(7), 2000, null, null, null, null, null),
                "looked at the wrong clock");
        assertThat(shop.filmHours(m)).isCloseTo(6, within(1e-9));
        assertThat(shop.now(m).screen().usage().uvHours()).isCloseTo(1, within(1e-9));
    }

    @Test
    void correctingTheMachineMovesTheHoursToTheOther() {
        String a = shop.maskMachine();
        String b = shop.maskMachine();
        RunView run = shop.run(a, 1, 4);
        runs.correct(
                run.id(),
                new RunChange(b, null, null, null, null, null, null, null, null, null),
                "it was the other one");
        assertThat(shop.filmHours(a)).isZero();
        assertThat(shop.filmHours(b)).isCloseTo(4, within(1e-9));
    }

    @Test
    void aRunMovedAcrossAFilmChangeMovesItsHoursToTheOtherFilm() {
        String m = shop.maskMachine();
        RunView run = shop.run(m, 1, 4);
        String old = shop.now(m).film().code();
        shop.filmChange(m, 10);
        runs.correct(
                run.id(),
                new RunChange(null, null, TestShop.at(11), TestShop.at(15), null, null, null, null, null, null),
                "it was in the evening");
        assertThat(shop.filmHours(m)).isCloseTo(4, within(1e-9));
        assertThat(hoursOf(old)).isZero();
    }

    @Test
    void aWithdrawnRunCountsNowhereAndComesBack() {
        String m = shop.maskMachine();
        RunView run = shop.run(m, 1, 4);
        runs.correct(
                run.id(), new RunChange(null, null, null, null, null, null, null, null, null, true), "entered twice");
        assertThat(shop.filmHours(m)).isZero();
        assertThat(shop.now(m).total().prints()).isZero();
        runs.correct(
                run.id(),
                new RunChange(null, null, null, null, null, null, null, null, null, false),
                "no, it was real");
        assertThat(shop.filmHours(m)).isCloseTo(4, within(1e-9));
    }

    @Test
    void aVatTakesItsFilmsHoursToAnotherMachine() {
        String a = shop.maskMachine();
        String b = shop.machineOf(shop.modelOf(a));
        shop.run(a, 1, 4);
        String vat = shop.now(a).vat().code();
        String film = shop.now(a).film().code();
        shop.service(a, "VAT_REMOVED", 10, "vat", vat);
        assertThat(shop.holds(a)).contains("film-ended");
        shop.service(b, "VAT_FITTED", 11, "vat", vat);
        assertThat(shop.now(b).film().code()).isEqualTo(film);
        assertThat(shop.filmHours(b)).isCloseTo(4, within(1e-9));
        shop.run(b, 12, 2);
        assertThat(shop.filmHours(b)).isCloseTo(6, within(1e-9));
        assertThat(shop.now(b).screen().usage().hours())
                .as("the screen stays with its machine")
                .isCloseTo(2, within(1e-9));
    }

    @Test
    void aWithdrawnFilmChangePutsTheOldFilmBack() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        String old = shop.now(m).film().code();
        long change = shop.filmChange(m, 10).id();
        shop.run(m, 12, 2);
        bench.withdraw(change, "wrong machine");
        assertThat(shop.now(m).film().code()).isEqualTo(old);
        assertThat(shop.filmHours(m)).isCloseTo(6, within(1e-9));
        assertThat(shop.holds(m)).doesNotContain("not-levelled");
    }

    @Test
    void aChangeThatALaterOneBuildsOnCannotBeWithdrawnFirst() {
        String m = shop.maskMachine();
        long first = shop.filmChange(m, 10).id();
        shop.filmChange(m, 20);
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> bench.withdraw(first, "why not"))
                .withMessageContaining("later");
        assertThat(shop.now(m).film().endedAt()).isNull();
    }

    @Test
    void aChangeBeforeTheLatestIsRefused() {
        String m = shop.maskMachine();
        shop.filmChange(m, 20);
        assertThatExceptionOfType(Conflict.class)
                .isThrownBy(() -> shop.filmChange(m, 10))
                .satisfies(e -> assertThat(e.field()).isEqualTo("at"));
    }

    private double hoursOf(String component) {
        return jdbc.sql("select m.hours from meter m join component c on c.id = m.owner_id where m.scope = "
                        + "'COMPONENT' and c.code = ?")
                .param(component)
                .query(Double.class)
                .single();
    }
}
