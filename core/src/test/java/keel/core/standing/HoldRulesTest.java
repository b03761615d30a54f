package keel.core.standing;

import static keel.core.standing.HoldCode.CRUNCH_NOT_INSPECTED;
import static keel.core.standing.HoldCode.FAILURE_NOT_CLEANED;
import static keel.core.standing.HoldCode.FILM_ENDED;
import static keel.core.standing.HoldCode.NOT_LEVELLED;
import static keel.core.standing.HoldCode.PLATE_NOT_CLEAR;
import static keel.core.standing.HoldCode.RESIN_MIXED;
import static keel.core.standing.HoldCode.SCREEN_ENDED;
import static keel.core.standing.HoldCode.STANCE_UNCHECKED;
import static keel.core.standing.HoldCode.WET_UNDER_VAT;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.stream.Stream;
import keel.core.knowledge.KnowledgeFiles;
import keel.core.standing.MachineEvent.FailureSeen;
import keel.core.standing.MachineEvent.LeakFound;
import keel.core.standing.MachineEvent.RunEnded;
import keel.core.standing.MachineEvent.ServiceDone;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What raises and clears a hold is common practice in the trade, no published source. */
class HoldRulesTest {

    private static final Instant T = Instant.parse("2025-05-01T08:00:00Z");
    private static final MachineTraits MASK = new MachineTraits(MachineKind.MASK, false, false, true, LevelJoint.BALL);
    private static final MachineTraits SELF_LEVELLING =
            new MachineTraits(MachineKind.MASK, true, false, true, LevelJoint.BALL);
    private static final MachineTraits AFTER_EACH_PRINT =
            new MachineTraits(MachineKind.MASK, false, true, true, LevelJoint.BALL);
    private static final MachineTraits LASER =
            new MachineTraits(MachineKind.LASER_TANK, false, false, false, LevelJoint.BALL);
    private static final Fitted WHOLE = new Fitted(true, true, true, T, null, null);

    private final HoldRules rules = new HoldRules(KnowledgeFiles.shipped());

    /** Eight hours of printing is common practice, no source. */
    @Test
    void aHoleThatIsOnlyCuredShutHoldsOnceNobodyLookedAtItForSoLong() {
        assertThat(open(MASK, new Fitted(true, true, true, T, null, new StopGap(at(1), 7.9, 8))))
                .isEmpty();
        assertThat(open(MASK, new Fitted(true, true, true, T, null, new StopGap(at(1), 8, 8))))
                .singleElement()
                .satisfies(h -> {
                    assertThat(h.code()).isEqualTo(HoldCode.STOP_GAP_LAPSED);
                    assertThat(h.next()).isEqualTo(ServiceKind.VAT_INSPECTED);
                });
    }

    @Test
    void aMachineThatNothingHappenedToIsFree() {
        assertThat(codes(MASK)).isEmpty();
    }

    @Test
    void afterARunThePlateMustBeCleared() {
        assertThat(codes(MASK, new RunEnded(at(1)))).containsExactly(PLATE_NOT_CLEAR);
        assertThat(codes(MASK, new RunEnded(at(1)), done(2, ServiceKind.PLATE_CLEARED)))
                .isEmpty();
        assertThat(codes(MASK, new RunEnded(at(1)), done(2, ServiceKind.PLATE_CLEARED), new RunEnded(at(3))))
                .containsExactly(PLATE_NOT_CLEAR);
    }

    @Test
    void clearingAtTheSameMomentClears() {
        assertThat(codes(MASK, new RunEnded(at(1)), done(1, ServiceKind.PLATE_CLEARED)))
                .isEmpty();
    }

    @Test
    void aFailureLeavesSomethingInTheVatUntilItIsCleanedUp() {
        assertThat(codes(MASK, failure(1, "layer-split"))).containsExactly(FAILURE_NOT_CLEANED);
        assertThat(codes(MASK, failure(1, "layer-split"), done(2, ServiceKind.CLEAN_UP)))
                .isEmpty();
        assertThat(codes(MASK, failure(1))).as("nothing noted: nobody knows").containsExactly(FAILURE_NOT_CLEANED);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tacky", "white-bloom", "weeping", "brittle"})
    void whatShowsOnlyAfterwardsLeavesNothingInTheVat(String symptom) {
        assertThat(codes(MASK, failure(1, symptom))).isEmpty();
        assertThat(codes(MASK, failure(1, symptom, "bare-plate"))).containsExactly(FAILURE_NOT_CLEANED);
    }

    @Test
    void wetUnderTheVatTakesDryingAndThenACleanInspection() {
        MachineEvent wet = failure(1, "wet-under-vat");
        assertThat(codes(MASK, wet)).containsExactly(WET_UNDER_VAT, FAILURE_NOT_CLEANED);
        assertThat(codes(MASK, wet, inspected(2, true)))
                .as("inspected before it was dried")
                .contains(WET_UNDER_VAT);
        assertThat(codes(MASK, wet, done(2, ServiceKind.CLEAN_UP))).containsExactly(WET_UNDER_VAT);
        assertThat(codes(MASK, wet, done(2, ServiceKind.CLEAN_UP), inspected(3, false)))
                .containsExactly(WET_UNDER_VAT);
        assertThat(codes(MASK, wet, done(2, ServiceKind.CLEAN_UP), inspected(3, true)))
                .isEmpty();
    }

    @ParameterizedTest
    @EnumSource(
            value = ServiceKind.class,
            names = {"FILM_CHANGE", "VAT_FITTED", "CLEAN_UP"})
    void eachWayOfDryingWillDo(ServiceKind way) {
        assertThat(codes(MASK, new LeakFound(at(1)), done(2, way), inspected(3, true), done(4, ServiceKind.LEVELLING)))
                .isEmpty();
    }

    @Test
    void aLaterCleanUpDoesNotRaiseTheWetVatAgain() {
        assertThat(codes(
                        MASK,
                        failure(1, "wet-under-vat"),
                        done(2, ServiceKind.CLEAN_UP),
                        inspected(3, true),
                        failure(5, "layer-split"),
                        done(6, ServiceKind.CLEAN_UP)))
                .isEmpty();
    }

    @Test
    void aLeakFoundAtAnInspectionHolds() {
        assertThat(codes(MASK, new ServiceDone(at(1), ServiceKind.VAT_INSPECTED, false, false, true)))
                .containsExactly(WET_UNDER_VAT);
    }

    @Test
    void afterACrunchScreenAndVatAreBothInspected() {
        MachineEvent crunch = failure(1, "crunch");
        MachineEvent cleaned = done(2, ServiceKind.CLEAN_UP);
        assertThat(codes(MASK, crunch, cleaned)).containsExactly(CRUNCH_NOT_INSPECTED);
        assertThat(codes(MASK, crunch, cleaned, done(3, ServiceKind.SCREEN_INSPECTED)))
                .containsExactly(CRUNCH_NOT_INSPECTED);
        assertThat(codes(MASK, crunch, cleaned, inspected(3, true))).containsExactly(CRUNCH_NOT_INSPECTED);
        assertThat(codes(MASK, crunch, cleaned, done(3, ServiceKind.SCREEN_INSPECTED), inspected(3, true)))
                .isEmpty();
        assertThat(codes(MASK, done(1, ServiceKind.PLATE_DROPPED))).containsExactly(CRUNCH_NOT_INSPECTED);
        assertThat(codes(LASER, done(1, ServiceKind.PLATE_DROPPED), inspected(2, true)))
                .as("it has no screen")
                .isEmpty();
    }

    @Test
    void theFirstPartAfterACrunchIsHeldToTheLightOnce() {
        MachineEvent crunch = failure(1, "crunch");
        assertThat(rules.holdNextPartToLight(List.of(crunch))).isTrue();
        assertThat(rules.holdNextPartToLight(List.of(crunch, new RunEnded(at(4)))))
                .isFalse();
        assertThat(rules.holdNextPartToLight(List.of(new RunEnded(at(4))))).isFalse();
    }

    @ParameterizedTest
    @EnumSource(
            value = ServiceKind.class,
            names = {"FILM_CHANGE", "SCREEN_CHANGE", "VAT_FITTED", "TANK_CHANGE", "PLATE_WORK"})
    void whatMovesThePlateOrWhatItLiesOnAsksForLevelling(ServiceKind kind) {
        assertThat(codes(MASK, done(1, kind))).containsExactly(NOT_LEVELLED);
        assertThat(codes(MASK, done(1, kind), done(2, ServiceKind.LEVELLING))).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(
            value = ServiceKind.class,
            names = {"FILM_CHANGE", "VAT_FITTED"})
    void aMachineThatLevelsItselfTakesFilmAndVatInItsStride(ServiceKind kind) {
        assertThat(codes(SELF_LEVELLING, done(1, kind))).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(
            value = ServiceKind.class,
            names = {"PLATE_WORK", "SCREEN_CHANGE"})
    void butNotPlateAndScreen(ServiceKind kind) {
        assertThat(codes(SELF_LEVELLING, done(1, kind))).containsExactly(NOT_LEVELLED);
    }

    @Test
    void whereTheShopLevelsAfterEveryPrintARunAsksForIt() {
        assertThat(codes(AFTER_EACH_PRINT, new RunEnded(at(1)), done(2, ServiceKind.PLATE_CLEARED)))
                .containsExactly(NOT_LEVELLED);
        assertThat(codes(
                        AFTER_EACH_PRINT,
                        new RunEnded(at(1)),
                        done(2, ServiceKind.PLATE_CLEARED),
                        done(3, ServiceKind.LEVELLING)))
                .isEmpty();
    }

    @Test
    void aMovedMachineIsHeldUntilItsStanceIsChecked() {
        assertThat(codes(MASK, done(1, ServiceKind.MOVED))).containsExactly(STANCE_UNCHECKED);
        assertThat(codes(MASK, done(1, ServiceKind.MOVED), done(2, ServiceKind.STANCE_CHECKED)))
                .isEmpty();
    }

    @Test
    void whatIsNotFittedHolds() {
        assertThat(open(MASK, new Fitted(false, false, true, T, null, null)))
                .singleElement()
                .satisfies(h -> {
                    assertThat(h.code()).isEqualTo(FILM_ENDED);
                    assertThat(h.text()).isEqualTo("No vat is fitted.");
                    assertThat(h.next()).isEqualTo(ServiceKind.VAT_FITTED);
                });
        assertThat(open(MASK, new Fitted(true, false, false, T, null, null)))
                .extracting(Hold::code)
                .containsExactly(SCREEN_ENDED, FILM_ENDED);
        assertThat(open(LASER, new Fitted(true, false, false, T, null, null)))
                .singleElement()
                .satisfies(h -> assertThat(h.next()).isEqualTo(ServiceKind.TANK_CHANGE));
    }

    @Test
    void mixedResinHolds() {
        assertThat(open(MASK, new Fitted(true, true, true, T, at(1), null)))
                .extracting(Hold::code)
                .containsExactly(RESIN_MIXED);
    }

    @Test
    void theOrderInWhichEventsComeDoesNotMatter() {
        List<MachineEvent> events = new ArrayList<>(List.of(
                failure(1, "wet-under-vat", "crunch"),
                done(2, ServiceKind.CLEAN_UP),
                inspected(3, true),
                new RunEnded(at(4)),
                done(5, ServiceKind.MOVED),
                done(6, ServiceKind.FILM_CHANGE)));
        List<Hold> expected = rules.open(events, MASK, WHOLE);
        for (int seed = 0; seed < 20; seed++) {
            Collections.shuffle(events, new Random(seed));
            assertThat(rules.open(events, MASK, WHOLE)).isEqualTo(expected);
        }
        assertThat(expected)
                .extracting(Hold::code)
                .containsExactly(CRUNCH_NOT_INSPECTED, STANCE_UNCHECKED, NOT_LEVELLED, PLATE_NOT_CLEAR);
    }

    @ParameterizedTest
    @EnumSource
    void everyHoldIsFoundByItsCode(HoldCode code) {
        assertThat(HoldCode.of(code.code())).isEqualTo(code);
        assertThat(code.minutes()).isPositive();
    }

    /** What raises each hold that follows from events alone. */
    static Stream<Arguments> raised() {
        return Stream.of(
                Arguments.of(HoldCode.WET_UNDER_VAT, failure(1, "wet-under-vat")),
                Arguments.of(HoldCode.CRUNCH_NOT_INSPECTED, done(1, ServiceKind.PLATE_DROPPED)),
                Arguments.of(HoldCode.FAILURE_NOT_CLEANED, failure(1, "layer-split")),
                Arguments.of(HoldCode.STANCE_UNCHECKED, done(1, ServiceKind.MOVED)),
                Arguments.of(HoldCode.NOT_LEVELLED, done(1, ServiceKind.SCREEN_CHANGE)),
                Arguments.of(HoldCode.PLATE_NOT_CLEAR, new RunEnded(at(1))));
    }

    /** Each way through its steps clears it; leaving the last step out does not. */
    @ParameterizedTest
    @MethodSource("raised")
    void itsStepsClearAHoldAndNothingLess(HoldCode code, MachineEvent raises) {
        List<Set<ServiceKind>> steps = code.steps();
        for (ServiceKind first : steps.get(0)) {
            List<MachineEvent> events = new ArrayList<>(List.of(raises, step(2, first)));
            if (steps.size() > 1) {
                assertThat(rules.open(events, MASK, WHOLE))
                        .extracting(Hold::code)
                        .contains(code);
                events.add(step(3, steps.get(1).iterator().next()));
            }
            assertThat(rules.open(events, MASK, WHOLE)).extracting(Hold::code).doesNotContain(code);
        }
    }

    private static MachineEvent step(int hour, ServiceKind kind) {
        return new ServiceDone(at(hour), kind, true, false, false);
    }

    private List<HoldCode> codes(MachineTraits machine, MachineEvent... events) {
        return rules.open(List.of(events), machine, WHOLE).stream()
                .map(Hold::code)
                .toList();
    }

    private List<Hold> open(MachineTraits machine, Fitted fitted) {
        return rules.open(List.of(), machine, fitted);
    }

    private static MachineEvent failure(int hour, String... symptoms) {
        return new FailureSeen(at(hour), Set.of(symptoms));
    }

    private static MachineEvent done(int hour, ServiceKind kind) {
        return ServiceDone.of(at(hour), kind);
    }

    private static MachineEvent inspected(int hour, boolean clean) {
        return new ServiceDone(at(hour), ServiceKind.VAT_INSPECTED, clean, false, false);
    }

    private static Instant at(int hour) {
        return T.plusSeconds(3600L * hour);
    }
}
