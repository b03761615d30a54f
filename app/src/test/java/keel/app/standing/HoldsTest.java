package keel.app.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatExceptionOfType;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.app.base.Refused;
import keel.app.bench.Bench;
import keel.app.bench.ServiceEntry;
import keel.app.failures.CaseChecks;
import keel.app.failures.Verdicts;
import keel.app.fleet.Fleet;
import keel.app.fleet.MachineEntry;
import keel.app.fleet.Parts;
import keel.app.prints.HoldsOpen;
import keel.app.prints.RunChange;
import keel.app.prints.RunEntry;
import keel.app.prints.RunView;
import keel.app.prints.Runs;
import keel.app.stores.Resins;
import keel.app.support.AppTest;
import keel.app.support.TestShop;
import keel.core.standing.MachineKind;
import keel.core.standing.MachineState;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.security.access.AccessDeniedException;

/** Holds as they follow from what is really recorded; the rules themselves are tested in core. */
class HoldsTest extends AppTest {

    @Autowired
    private Runs runs;

    @Autowired
    private Bench bench;

    @Autowired
    private Verdicts verdicts;

    @Autowired
    private CaseChecks caseChecks;

    @Autowired
    private Resins resins;

    @Autowired
    private Fleet fleet;

    @Autowired
    private Parts parts;

    @Test
    void aRunHoldsTheMachineUntilThePlateIsCleared() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        assertThat(shop.now(m).standing().state()).isEqualTo(MachineState.HOLD);
        assertThatExceptionOfType(HoldsOpen.class)
                .isThrownBy(() -> runs.enter(start(m, null)))
                .withMessageContaining("must not print");
        shop.service(m, "PLATE_CLEARED", 6);
        assertThat(shop.now(m).standing().state()).isEqualTo(MachineState.READY);
        runs.enter(start(m, null));
        assertThat(shop.now(m).standing().state()).isEqualTo(MachineState.RUNNING);
    }

    @Test
    void onlyAKeeperMayOverrideAndTheReasonIsKept() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.as("operator");
        assertThatExceptionOfType(AccessDeniedException.class).isThrownBy(() -> runs.enter(start(m, "in a hurry")));
        shop.as("keeper");
        RunView run = runs.enter(start(m, "plate seen, it is clear"));
        assertThat(run.open()).isTrue();
        assertThat(shop.now(m).run().id()).isEqualTo(run.id());
    }

    @Test
    void leakFoundAtACheckHoldsAndACauseNamedIsWatched() {
        String m = shop.maskMachine();
        var failure = shop.failure(m, 2, "region-bare");
        caseChecks.check(failure.id(), "leak-check", List.of("film-pierced"));
        assertThat(shop.holds(m)).containsExactly("wet-under-vat", "failure-not-cleaned");
        bench.record(
                new ServiceEntry(m, "CLEAN_UP", null, null, Map.of("way", "FULL", "sieved", true, "emptied", false)));
        bench.record(new ServiceEntry(m, "VAT_INSPECTED", null, null, Map.of("clean", true)));
        assertThat(shop.holds(m)).isEmpty();
        verdicts.nameCause(failure.id(), "film-pierced", "PRESUMED", null);
        assertThat(shop.now(m).standing().state()).isEqualTo(MachineState.WATCH);
    }

    @Test
    void aPresumedCauseIsNoLongerWatchedOnceAGoodRunConfirmedIt() {
        String m = shop.maskMachine();
        var failure = shop.failure(m, 2, "grinding");
        verdicts.nameCause(failure.id(), "z-dry", "PRESUMED", null);
        shop.service(m, "CLEAN_UP", 2.5, "way", "FULL", "sieved", true, "emptied", false);
        verdicts.mended(failure.id(), true);
        RunView run = runs.enter(start(m, null));
        assertThat(shop.now(m).standing().concerns()).extracting(c -> c.about()).contains("cause");
        runs.correct(
                run.id(),
                new RunChange(null, null, null, Instant.now().plusSeconds(90), 2, null, null, "GOOD", null, null),
                "ended");
        shop.service(m, "PLATE_CLEARED", 0.5);
        assertThat(shop.now(m).standing().concerns()).extracting(c -> c.about()).doesNotContain("cause");
    }

    @Test
    void anotherResinOnTopHoldsUntilTheVatIsEmptied() {
        String m = shop.maskMachine();
        String vat = shop.now(m).vat().code();
        String grey = shop.resin("Grey");
        String blue = shop.resin("Blue");
        resins.pour(vat, grey, 200.0, TestShop.at(1));
        assertThat(shop.now(m).resinMl()).isEqualTo(200);
        var pour = resins.pour(vat, blue, 50.0, TestShop.at(2));
        assertThat(shop.holds(m)).containsExactly("resin-mixed");
        shop.service(m, "CLEAN_UP", 3, "way", "FULL", "sieved", true, "emptied", false);
        assertThat(shop.holds(m)).as("not emptied").containsExactly("resin-mixed");
        shop.service(m, "CLEAN_UP", 4, "way", "FULL", "sieved", true, "emptied", true);
        assertThat(shop.holds(m)).isEmpty();
        assertThat(shop.now(m).resin()).isNull();
        shop.as("operator");
        resins.withdraw(pour.id(), "wrong vat");
        assertThat(shop.holds(m)).isEmpty();
    }

    @Test
    void mixedResinGoesWithTheVat() {
        String a = shop.maskMachine();
        String vat = shop.now(a).vat().code();
        resins.pour(vat, shop.resin("Grey"), 200.0, TestShop.at(1));
        resins.pour(vat, shop.resin("Blue"), 50.0, TestShop.at(2));
        shop.service(a, "VAT_REMOVED", 3, "vat", vat);
        assertThat(shop.holds(a)).containsExactly("film-ended");
        String b = shop.machineOf(shop.modelOf(a));
        shop.service(b, "VAT_FITTED", 4, "vat", vat);
        assertThat(shop.holds(b)).containsExactly("resin-mixed", "not-levelled");
    }

    @Test
    void aTankIsChangedWholeAndStartsFromZero() {
        String m = shop.machine(MachineKind.LASER_TANK, false);
        shop.run(m, 1, 5);
        String vat = shop.now(m).vat().code();
        shop.service(m, "TANK_CHANGE", 10, "endReason", "CLOUDED");
        assertThat(shop.filmHours(m)).isZero();
        assertThat(shop.now(m).vat().code()).isNotEqualTo(vat);
        assertThat(shop.now(m).screen()).isNull();
        assertThat(shop.holds(m)).containsExactly("not-levelled", "plate-not-clear");
        assertThatExceptionOfType(Refused.class)
                .isThrownBy(() -> shop.filmChange(m, 12))
                .withMessageContaining("laser tank");
    }

    @Test
    void aCondemnedFilmHoldsUntilItIsChanged() {
        String m = shop.maskMachine();
        parts.condemn(shop.now(m).film().code(), "PIERCED");
        assertThat(shop.holds(m)).containsExactly("film-ended");
        shop.filmChange(m, 9000);
        assertThat(shop.holds(m)).containsExactly("not-levelled");
    }

    @Test
    void changingThePolicyOfAMachineChangesItsHoldsAtOnce() {
        String m = shop.maskMachine();
        shop.run(m, 1, 4);
        shop.service(m, "PLATE_CLEARED", 6);
        var view = fleet.machines().stream()
                .filter(x -> x.code().equals(m))
                .findFirst()
                .orElseThrow();
        fleet.changeMachine(
                m,
                new MachineEntry(
                        view.name(),
                        view.model(),
                        view.room(),
                        "PAPER",
                        true,
                        false,
                        null,
                        0,
                        "FEP",
                        0.127,
                        0.0,
                        0.0,
                        0.0,
                        MachineEntry.Before.NEW),
                view.version());
        assertThat(shop.holds(m)).containsExactly("not-levelled");
    }

    @Test
    void outOfServiceAndBack() {
        String m = shop.maskMachine();
        shop.service(m, "OFF", 1);
        assertThat(shop.now(m).standing().state()).isEqualTo(MachineState.OFF);
        shop.service(m, "ON", 2);
        assertThat(shop.now(m).standing().state()).isEqualTo(MachineState.READY);
    }

    @Test
    void movingChangesTheRoomAndTakingItBackRestoresIt() {
        String m = shop.maskMachine();
        String from = shop.now(m).room();
        String other = shop.now(shop.maskMachine()).room();
        long moved = shop.service(m, "MOVED", 1, "room", other).id();
        assertThat(shop.now(m).room()).isEqualTo(other);
        assertThat(shop.holds(m)).containsExactly("stance-unchecked");
        bench.withdraw(moved, "it stayed");
        assertThat(shop.now(m).room()).isEqualTo(from);
        assertThat(shop.holds(m)).isEmpty();
    }

    private static RunEntry start(String machine, String override) {
        return new RunEntry(machine, "Latch pattern", null, null, 1000, 1.8, 50.0, null, null, override);
    }
}
