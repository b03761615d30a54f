package keel.core.standing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import keel.core.wear.Usage;
import org.junit.jupiter.api.Test;

/** The default figures are common practice in the trade, no published source. */
class StateRulesTest {

    private static final Hold HOLD =
            new Hold(HoldCode.PLATE_NOT_CLEAR, Instant.EPOCH, "Clear the plate.", ServiceKind.PLATE_CLEARED);

    private final StateRules rules = new StateRules(Defaults.shipped());

    @Test
    void theFirstThatAppliesIsTheState() {
        List<PartUse> worn = List.of(film(451));
        assertThat(state(true, true, List.of(HOLD), worn, 0)).isEqualTo(MachineState.OFF);
        assertThat(state(false, true, List.of(HOLD), worn, 0)).isEqualTo(MachineState.RUNNING);
        assertThat(state(false, false, List.of(HOLD), worn, 0)).isEqualTo(MachineState.HOLD);
        assertThat(state(false, false, List.of(), worn, 0)).isEqualTo(MachineState.DUE);
        assertThat(state(false, false, List.of(), List.of(film(100)), 0)).isEqualTo(MachineState.READY);
    }

    @Test
    void aFilmNearItsAgeAtThisPaceIsWatched() {
        assertThat(of(List.of(film(393)), 0, 0, 8).state())
                .as("393 + 7 × 8 = 449 h")
                .isEqualTo(MachineState.READY);
        Standing watched = of(List.of(film(395)), 0, 0, 8);
        assertThat(watched.state()).isEqualTo(MachineState.WATCH);
        assertThat(watched.sentence()).isEqualTo("Film F14 is near its age: 395 of about 450 h.");
    }

    @Test
    void theZAxisIsLubricatedEveryTwoHundredHours() {
        assertThat(of(List.of(), 199.9, 0, 0).state()).isEqualTo(MachineState.READY);
        assertThat(of(List.of(), 200, 0, 0).concerns()).singleElement().satisfies(c -> {
            assertThat(c.level()).isEqualTo(MachineState.DUE);
            assertThat(c.task()).isEqualTo(ServiceKind.LUBRICATION);
        });
        assertThat(of(List.of(), 150, 0, 8).state()).isEqualTo(MachineState.WATCH);
    }

    @Test
    void thePlateIsAbradedEveryFourHundredHours() {
        assertThat(of(List.of(), 0, 400, 0).state()).isEqualTo(MachineState.DUE);
    }

    /** Tank with β 3, η 170 h: P(8 h | 150 h) = 1 − exp((150/170)³ − (158/170)³) = 0.108, computed by hand. */
    @Test
    void aTankIsDueAtItsAgeAndWatchedBeforeByItsChanceToFail() {
        PartUse old = new PartUse(
                PartUse.UsedPart.TANK,
                "Tank F7",
                new Usage(149, 0, 0, 0, 0),
                Defaults.shipped().usual(PartUse.UsedPart.TANK));
        assertThat(of(List.of(old), 0, 0, 0).concerns()).singleElement().satisfies(c -> {
            assertThat(c.level()).isEqualTo(MachineState.WATCH);
            assertThat(c.text()).contains("may fail: 11 % in a job of 8 h");
        });
        assertThat(of(
                                List.of(new PartUse(
                                        PartUse.UsedPart.TANK,
                                        "Tank F7",
                                        new Usage(150, 0, 0, 0, 0),
                                        Defaults.shipped().usual(PartUse.UsedPart.TANK))),
                                0,
                                0,
                                0)
                        .state())
                .isEqualTo(MachineState.DUE);
    }

    @Test
    void aScreenAgesInUvHoursNotInPrintHours() {
        PartUse screen = new PartUse(
                PartUse.UsedPart.SCREEN,
                "Screen S1",
                new Usage(90_000, 10, 0, 0, 0),
                Defaults.shipped().usual(PartUse.UsedPart.SCREEN));
        assertThat(of(List.of(screen), 0, 0, 8).state()).isEqualTo(MachineState.READY);
    }

    @Test
    void aPresumedCauseIsWatchedUntilAGoodRunConfirmsIt() {
        Standing standing = rules.of(new Circumstances(
                false,
                false,
                List.of(),
                List.of(),
                upkept(0),
                upkept(0),
                0,
                0.3,
                List.of("Vat bolts not tight"),
                List.of(),
                null));
        assertThat(standing.state()).isEqualTo(MachineState.WATCH);
        assertThat(standing.sentence()).contains("vat bolts not tight");
    }

    @Test
    void anOpenQuirkIsWatched() {
        Standing standing = rules.of(new Circumstances(
                false,
                false,
                List.of(),
                List.of(),
                upkept(0),
                upkept(0),
                0,
                0.3,
                List.of(),
                List.of("it smooths one axis only"),
                null));
        assertThat(standing.state()).isEqualTo(MachineState.WATCH);
        assertThat(standing.sentence()).contains("smooths one axis only");
    }

    @Test
    void whatIsDueComesBeforeWhatIsWatched() {
        Standing standing = of(List.of(film(400)), 205, 0, 8);
        assertThat(standing.concerns())
                .extracting(Concern::level)
                .containsExactly(MachineState.DUE, MachineState.WATCH);
        assertThat(standing.sentence()).contains("lubricated");
    }

    @Test
    void aShopsOwnFigureTakesThePlaceOfTheDefault() {
        Defaults own = Defaults.shipped().with(Map.of("lubrication.everyHours", 100.0, "no.such.figure", 1.0));
        assertThat(own.value("lubrication.everyHours")).isEqualTo(100);
        assertThat(own.figures()).hasSameSizeAs(Defaults.shipped().figures());
        assertThat(new StateRules(own)
                        .of(new Circumstances(
                                false,
                                false,
                                List.of(),
                                List.of(),
                                upkept(120),
                                upkept(0),
                                0,
                                0.3,
                                List.of(),
                                List.of(),
                                null))
                        .state())
                .isEqualTo(MachineState.DUE);
        assertThatIllegalArgumentException().isThrownBy(() -> own.value("no.such.figure"));
    }

    @Test
    void everyShippedFigureLiesWithinItsOwnRange() {
        assertThat(Defaults.shipped().figures())
                .allSatisfy(f -> assertThat(f.value()).as(f.code()).isBetween(f.low(), f.high()));
    }

    @Test
    void eachKindOfMachineKnowsTheServicesThatApplyToIt() {
        assertThat(ServiceKind.of(new MachineTraits(MachineKind.LASER_TANK, false, false, false, LevelJoint.BALL)))
                .contains(ServiceKind.TANK_CHANGE)
                .doesNotContain(ServiceKind.FILM_CHANGE, ServiceKind.SCREEN_CHANGE);
        assertThat(ServiceKind.of(new MachineTraits(MachineKind.PROJECTOR, false, false, true, LevelJoint.BALL)))
                .contains(ServiceKind.FILM_CHANGE)
                .doesNotContain(ServiceKind.TANK_CHANGE, ServiceKind.SCREEN_INSPECTED);
    }

    @Test
    void workThatTouchesRawResinShowsTheUsualCaution() {
        assertThat(List.of(
                        ServiceKind.FILM_CHANGE,
                        ServiceKind.CLEAN_UP,
                        ServiceKind.VAT_INSPECTED,
                        ServiceKind.TANK_CHANGE))
                .allSatisfy(k -> assertThat(k.caution().words()).contains("nitrile gloves", "soap and water"));
        assertThat(ServiceKind.SCREEN_INSPECTED.caution().words()).contains("UV glasses");
        assertThat(ServiceKind.SCREEN_CHANGE.caution().words()).contains("unplug");
    }

    /** Where nobody knows when it was greased, hours on record are the least there can be, and the sentence says so. */
    @Test
    void whatNobodyKnowsIsDueByWhatIsOnRecordAtTheLatest() {
        Circumstances.Upkept unknown = new Circumstances.Upkept(210, false);
        Standing standing = rules.of(new Circumstances(
                false, false, List.of(), List.of(), unknown, upkept(0), 0, 0.3, List.of(), List.of(), null));
        assertThat(standing.state()).isEqualTo(MachineState.DUE);
        assertThat(standing.sentence()).contains("nobody knows when the Z axis was lubricated before that");
    }

    private static Circumstances.Upkept upkept(double hours) {
        return new Circumstances.Upkept(hours, true);
    }

    private Standing of(List<PartUse> parts, double sinceLubricated, double sinceAbraded, double hoursPerDay) {
        return rules.of(new Circumstances(
                false,
                false,
                List.of(),
                parts,
                upkept(sinceLubricated),
                upkept(sinceAbraded),
                hoursPerDay,
                0.3,
                List.of(),
                List.of(),
                null));
    }

    private MachineState state(
            boolean off, boolean running, List<Hold> holds, List<PartUse> parts, double hoursPerDay) {
        return rules.of(new Circumstances(
                        off, running, holds, parts, upkept(0), upkept(0), hoursPerDay, 0.3, List.of(), List.of(), null))
                .state();
    }

    private static PartUse film(double hours) {
        return new PartUse(
                PartUse.UsedPart.FILM,
                "Film F14",
                new Usage(hours, 0, 0, 0, 0),
                Defaults.shipped().usual(PartUse.UsedPart.FILM));
    }
}
