package keel.core.history;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import keel.core.profile.Setting;
import keel.core.run.Outcome;
import keel.core.standing.Defaults;
import keel.core.standing.MachineKind;
import keel.core.standing.ServiceKind;
import org.junit.jupiter.api.Test;

/**
 * The windows are common practice, no published source; what is tested is that each fact follows from the entries that
 * it names.
 */
class HistoryFactsTest {

    private static final Instant START = Instant.parse("2026-03-02T08:00:00Z");

    private final List<Past> past = new ArrayList<>();
    private Instant clock = START;

    @Test
    void aPlateThatNobodyClearedSinceTheLastPrintIsSaidSo() {
        print(Outcome.GOOD);
        assertThat(facts()).contains("print-not-cleared");
        past.add(service(ServiceKind.PLATE_CLEARED));
        assertThat(facts()).doesNotContain("print-not-cleared");
    }

    @Test
    void theFailureBeforeCountsAndWhetherItWasCleanedUp() {
        print(Outcome.FAILED);
        assertThat(facts()).contains("last-failed", "last-failed-not-cleaned");
        past.add(service(ServiceKind.CLEAN_UP, "sieved"));
        assertThat(facts()).contains("last-failed").doesNotContain("last-failed-not-cleaned");
        print(Outcome.GOOD);
        assertThat(facts()).doesNotContain("last-failed");
    }

    @Test
    void aPlateDriftsOverPrintsUnlessTheMachineLevelsItself() {
        past.add(service(ServiceKind.LEVELLING));
        assertThat(facts()).contains("levelled-recently").doesNotContain("plate-handled");
        for (int i = 0; i < 8; i++) {
            print(Outcome.GOOD);
        }
        assertThat(facts()).contains("plate-handled").doesNotContain("levelled-recently");
        assertThat(facts(PartAges.UNKNOWN, MachineKind.MASK, true, failure("part-missing")))
                .doesNotContain("plate-handled");
    }

    @Test
    void workOnThePlateAfterLevellingUndoesIt() {
        past.add(service(ServiceKind.LEVELLING));
        past.add(service(ServiceKind.PLATE_WORK, "ABRADED"));
        assertThat(facts()).contains("plate-handled").doesNotContain("levelled-recently");
    }

    @Test
    void partsAreOldOrYoungByTheirShareOfTheUsualLife() {
        PartAges ages = new PartAges(0.9, 0.1, 0.5, 1.2, 0.1);
        assertThat(facts(ages, MachineKind.MASK, false, failure("part-missing")))
                .contains("film-old", "screen-young", "z-unlubricated", "plate-fresh")
                .doesNotContain("film-young", "screen-old", "light-old", "z-lubricated");
    }

    @Test
    void aMachineWithoutAScreenCannotHaveABadOne() {
        assertThat(facts(PartAges.UNKNOWN, MachineKind.LASER_TANK, false, failure("region-bare")))
                .contains("no-screen");
        assertThat(facts()).doesNotContain("no-screen");
    }

    @Test
    void settingsAreComparedWithTheFirstVersionAndProveThemselves() {
        past.add(new Past.Poured(tick(), "reed", 200));
        past.add(new Past.Changed(
                tick(), "reed", Map.of(Setting.EXPOSURE_S, 0.8, Setting.LIFT_MM_PER_MIN, 1.5, Setting.SMOOTHING, 1.0)));
        assertThat(facts())
                .contains("profile-changed", "exposure-lowered", "lift-raised")
                .doesNotContain("smoothing-lowered", "settings-proven");
        for (int i = 0; i < 8; i++) {
            print(Outcome.GOOD);
        }
        assertThat(facts()).contains("settings-proven", "exposure-lowered").doesNotContain("profile-changed");
    }

    @Test
    void settingsOfAnotherResinDoNotCount() {
        past.add(new Past.Changed(tick(), "reed", Map.of(Setting.EXPOSURE_S, 0.8)));
        past.add(new Past.Poured(tick(), "mussel", 200));
        assertThat(facts()).doesNotContain("profile-changed", "exposure-lowered");
    }

    @Test
    void anotherResinOnTopMixesAndANewOneIsNew() {
        past.add(new Past.Poured(tick(), "reed", 200));
        past.add(new Past.Poured(tick(), "mussel", 100));
        assertThat(facts()).contains("other-resin-added", "resin-changed", "first-runs-of-resin");
        past.clear();
        past.add(new Past.Poured(tick(), "reed", 200));
        past.add(service(ServiceKind.CLEAN_UP, "emptied"));
        past.add(new Past.Poured(tick(), "mussel", 100));
        assertThat(facts()).contains("resin-changed", "first-runs-of-resin").doesNotContain("other-resin-added");
    }

    @Test
    void aVatThatWasSwappedBringsItsOwnResinAndMixesNothing() {
        past.add(new Past.Poured(tick(), "reed", 200));
        past.add(service(ServiceKind.VAT_FITTED));
        past.add(new Past.Poured(tick(), "mussel", 100));
        assertThat(facts()).contains("resin-changed").doesNotContain("other-resin-added");
    }

    @Test
    void littleMoreResinThanTheJobTookIsASmallMargin() {
        past.add(new Past.Poured(tick(), "reed", 60));
        Past.Printed taken = new Past.Printed(tick(), tick(), Outcome.FAILED, 3, 1, 55);
        assertThat(new HistoryFacts(Defaults.shipped())
                        .of(past, PartAges.UNKNOWN, MachineKind.MASK, false, taken, failure("ends-early")))
                .contains("margin-small");
        past.add(0, new Past.Poured(START, "reed", 100));
        assertThat(new HistoryFacts(Defaults.shipped())
                        .of(past, PartAges.UNKNOWN, MachineKind.MASK, false, taken, failure("ends-early")))
                .doesNotContain("margin-small");
    }

    @Test
    void aColdRoomWhileItPrintedIsColdResin() {
        Past.Printed print = new Past.Printed(tick(), tick().plus(Duration.ofHours(5)), Outcome.FAILED, 5, 1, 20);
        past.add(new Past.Warmth(print.startedAt().plusSeconds(60), 16.5));
        past.add(new Past.Warmth(print.startedAt().plus(Duration.ofHours(2)), 20.5));
        assertThat(of(print)).contains("resin-cold", "temperature-swings").doesNotContain("resin-warm-enough");
        past.clear();
        past.add(new Past.Warmth(print.startedAt().plusSeconds(60), 22));
        assertThat(of(print)).contains("resin-warm-enough").doesNotContain("resin-cold", "temperature-swings");
        past.add(new Past.Warmth(print.startedAt(), 21, 25.0));
        assertThat(of(print))
                .as("the resin itself, four degrees below its own range, in a room of 22")
                .contains("resin-cold")
                .doesNotContain("resin-warm-enough");
    }

    @Test
    void aCrunchIsOpenUntilVatAndScreenWereBothInspected() {
        past.add(failure("crunch"));
        past.add(service(ServiceKind.SCREEN_INSPECTED));
        assertThat(facts()).contains("crunch-not-inspected");
        past.add(service(ServiceKind.VAT_INSPECTED));
        assertThat(facts()).doesNotContain("crunch-not-inspected");
    }

    @Test
    void aDroppedPlateCountsUntilTheNextGoodPrint() {
        past.add(service(ServiceKind.PLATE_DROPPED));
        assertThat(facts()).contains("plate-dropped", "crunch-not-inspected");
        print(Outcome.GOOD);
        assertThat(facts()).doesNotContain("plate-dropped");
    }

    @Test
    void placesTellOneSpotFromAnEdgeAndFromBefore() {
        assertThat(at("C2", "D2")).contains("one-place").doesNotContain("one-edge");
        assertThat(at("A1", "B1", "C1", "D1")).contains("one-edge").doesNotContain("one-place");
        assertThat(at("A1", "F4")).doesNotContain("one-place", "one-edge");
        past.add(new Past.Failed(tick(), Set.of("hole-through"), Set.of("C2")));
        assertThat(at("C2")).contains("same-place-again");
        assertThat(at("D2")).doesNotContain("same-place-again");
    }

    @Test
    void failuresOfManyKindsLatelyAreRandomPlaces() {
        for (String seen : List.of("layer-split", "part-missing", "base-lifting", "layer-shift", "warped")) {
            past.add(failure(seen));
        }
        assertThat(facts()).contains("random-places");
        for (int i = 0; i < 15; i++) {
            print(Outcome.GOOD);
        }
        assertThat(facts())
                .as("five of twenty is a busy machine, not a loose one")
                .doesNotContain("random-places");
    }

    @Test
    void nothingOnRecordSaysNothing() {
        assertThat(facts()).isEmpty();
    }

    @Test
    void whatCameLaterIsLeftAside() {
        Past.Failed failure = failure("part-missing");
        past.add(service(ServiceKind.PLATE_DROPPED));
        assertThat(facts(PartAges.UNKNOWN, MachineKind.MASK, false, failure)).isEmpty();
    }

    // ---- what stands in the records, each an hour after the one before

    private Instant tick() {
        clock = clock.plus(Duration.ofHours(1));
        return clock;
    }

    private void print(Outcome outcome) {
        past.add(new Past.Printed(tick(), tick(), outcome, 1, 0.3, 10));
    }

    private Past.Serviced service(ServiceKind kind, String... yes) {
        return new Past.Serviced(tick(), kind, Set.of(yes));
    }

    private Past.Failed failure(String... symptoms) {
        return new Past.Failed(tick(), Set.of(symptoms), Set.of());
    }

    private Set<String> facts() {
        return facts(
                PartAges.UNKNOWN,
                MachineKind.MASK,
                false,
                new Past.Failed(clock.plusSeconds(60), Set.of("pitted-face"), Set.of()));
    }

    private Set<String> at(String... zones) {
        return facts(
                PartAges.UNKNOWN,
                MachineKind.MASK,
                false,
                new Past.Failed(tick(), Set.of("region-bare"), Set.of(zones)));
    }

    private Set<String> of(Past.Printed print) {
        return new HistoryFacts(Defaults.shipped())
                .of(
                        past,
                        PartAges.UNKNOWN,
                        MachineKind.MASK,
                        false,
                        print,
                        new Past.Failed(print.at(), Set.of("layer-split"), Set.of()));
    }

    private Set<String> facts(PartAges ages, MachineKind kind, boolean selfLevelling, Past.Failed failure) {
        return new HistoryFacts(Defaults.shipped()).of(past, ages, kind, selfLevelling, null, failure);
    }
}
