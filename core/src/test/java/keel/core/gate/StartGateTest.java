package keel.core.gate;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import keel.core.gate.GateItem.State;
import keel.core.resin.VatFill;
import keel.core.resin.Warmth;
import keel.core.run.Detail;
import keel.core.standing.Defaults;
import keel.core.standing.Hold;
import keel.core.standing.HoldCode;
import keel.core.standing.MachineKind;
import keel.core.standing.PartUse;
import keel.core.standing.ServiceKind;
import keel.core.wear.Usage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class StartGateTest {

    private static final StartGate GATE = new StartGate(Defaults.shipped());
    private static final Hold CLEAN =
            new Hold(HoldCode.FAILURE_NOT_CLEANED, Instant.EPOCH, "Clean up.", ServiceKind.CLEAN_UP);

    private static GateFacts facts(
            List<Hold> holds,
            double filmHours,
            Double resinMl,
            Double jobMl,
            Double roomC,
            boolean lastFailed,
            boolean changed) {
        return facts(
                holds,
                filmHours,
                resinMl,
                jobMl,
                roomC,
                lastFailed,
                changed,
                new GateFacts.Profile(3, 2.3, 20, 19),
                2.3,
                null,
                List.of());
    }

    private static GateFacts facts(
            List<Hold> holds,
            double filmHours,
            Double resinMl,
            Double jobMl,
            Double roomC,
            boolean lastFailed,
            boolean changed,
            GateFacts.Profile profile,
            Double exposureS,
            GateFacts.Vat vat,
            List<GateItem> own) {
        return new GateFacts(
                MachineKind.MASK,
                holds,
                List.of(
                        new PartUse(
                                PartUse.UsedPart.FILM,
                                "Film F1",
                                new Usage(filmHours, 0, 0, 0, 0),
                                Defaults.shipped().usual(PartUse.UsedPart.FILM)),
                        new PartUse(
                                PartUse.UsedPart.SCREEN,
                                "Screen S1",
                                new Usage(0, 300, 0, 0, 0),
                                Defaults.shipped().usual(PartUse.UsedPart.SCREEN))),
                8,
                Detail.USUAL,
                0.3,
                resinMl == null ? null : "Reed grey",
                resinMl,
                jobMl,
                280.0,
                false,
                roomC == null ? null : new Warmth(roomC, false, 20, 30),
                roomC == null ? null : 1.0,
                3,
                true,
                lastFailed,
                changed,
                false,
                profile,
                exposureS,
                vat,
                null,
                own);
    }

    private static GateFacts inOrder() {
        return facts(List.of(), 100, 240.0, 90.0, 21.5, false, false);
    }

    private static GateItem item(GateFacts facts, String code) {
        return GATE.items(facts).stream()
                .filter(i -> i.code().equals(code))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void withEverythingInOrderFourThingsAreAskedAndNothingWarns() {
        List<GateItem> items = GATE.items(inOrder());
        assertThat(items).filteredOn(i -> i.state() == State.ASK).hasSize(4);
        assertThat(items).noneMatch(i -> i.state() == State.WARN || i.state() == State.HOLD);
        assertThat(StartGate.mayStart(items)).isTrue();
    }

    @Test
    void resinThatStoodIsStirredFromTheBottomAndItsOwnTemperaturesCount() {
        GateFacts f = inOrder();
        GateFacts stood = new GateFacts(
                f.kind(),
                f.holds(),
                f.parts(),
                f.jobHours(),
                f.detail(),
                f.uvShare(),
                f.resin(),
                f.resinMl(),
                f.jobMl(),
                f.fillLineMl(),
                f.selfFilling(),
                new Warmth(22, true, 24, 28),
                0.1,
                f.printsSinceLevelling(),
                f.levelled(),
                f.lastFailed(),
                f.changedSince(),
                f.holdNextToLight(),
                f.profile(),
                f.jobExposureS(),
                f.vat(),
                6.2,
                f.own());
        assertThat(item(stood, "resin-stirred").text()).contains("stood still for 6 days");
        assertThat(item(stood, "temperature").state())
                .as("22 °C is cool for a resin that wants 24")
                .isEqualTo(State.WARN);
        assertThat(item(f, "resin-stirred").text()).doesNotContain("stood");
    }

    @Test
    void anOpenHoldForbidsTheStart() {
        List<GateItem> items = GATE.items(facts(List.of(CLEAN), 100, 240.0, 90.0, 21.5, true, false));
        assertThat(StartGate.mayStart(items)).isFalse();
        assertThat(items.get(0).code()).isEqualTo("failure-not-cleaned");
        assertThat(items).as("said once, by the hold").noneMatch(i -> i.code().equals("nothing-changed"));
    }

    /** 280 ml line, 15 % of it must stay: a job of 90 ml needs 132 ml. */
    @ParameterizedTest
    @CsvSource({"240, 90, OK", "132, 90, OK", "131, 90, WARN", "300, 90, WARN"})
    void resinMustReachForTheJobAndToKeepTheFloorCovered(double there, double job, State state) {
        assertThat(item(facts(List.of(), 100, there, job, 21.5, false, false), "resin-enough")
                        .state())
                .isEqualTo(state);
    }

    @Test
    void whatIsNotOnRecordIsAskedOrSaid() {
        assertThat(item(facts(List.of(), 100, null, 90.0, 21.5, false, false), "resin-enough")
                        .state())
                .isEqualTo(State.ASK);
        assertThat(item(facts(List.of(), 100, 240.0, null, 21.5, false, false), "resin-enough")
                        .state())
                .isEqualTo(State.WARN);
        assertThat(item(facts(List.of(), 100, 240.0, 90.0, null, false, false), "temperature")
                        .state())
                .isEqualTo(State.WARN);
    }

    /**
     * Weibull 2, 450 h at 440 h: 1 − exp(−((448/450)² − (440/450)²)) = 3.4 % in 8 h; past 450 h it warns
     * whatever the chance.
     */
    @Test
    void theChanceIsThatOfThisVeryJob() {
        assertThat(item(facts(List.of(), 440, 240.0, 90.0, 21.5, false, false), "film-chance")
                        .text())
                .isEqualTo("Film F1: 3 % to fail in these 8.0 h, by what is usual.");
        assertThat(item(facts(List.of(), 460, 240.0, 90.0, 21.5, false, false), "film-chance")
                        .state())
                .isEqualTo(State.WARN);
    }

    /** A tenth of a degree is nothing; the advice grows with the degrees; common practice. */
    @ParameterizedTest
    @CsvSource({
        "12, WARN, do not print with it",
        "16, WARN, 0.2 to 0.5 s",
        "18, WARN, a little below",
        "19.9, OK, 19.9 °C in the room.",
        "25, OK, in the room.",
        "33, WARN, may bleed"
    })
    void theColderTheMoreIsAdvised(double roomC, State state, String says) {
        GateItem item = item(facts(List.of(), 100, 240.0, 90.0, roomC, false, false), "temperature");
        assertThat(item.state()).isEqualTo(state);
        assertThat(item.text()).contains(says);
    }

    private static GateFacts laser(double resinMl, double jobMl) {
        return new GateFacts(
                MachineKind.LASER_TANK,
                List.of(),
                List.of(),
                8,
                Detail.USUAL,
                0.3,
                "Reed grey",
                resinMl,
                jobMl,
                200.0,
                true,
                new Warmth(24, true, 20, 30),
                0.1,
                3,
                true,
                false,
                false,
                false,
                null,
                null,
                null,
                null,
                List.of());
    }

    /** A tank that fills itself does so only while its bottle holds enough: 25 ml are none for a job of 51. */
    @Test
    void aLaserTankIsAskedForWhatItsBottleHolds() {
        assertThat(item(laser(25, 51), "resin-enough").state()).isEqualTo(State.WARN);
        assertThat(item(laser(25, 51), "resin-enough").text()).startsWith("Put about 56 ml more into its bottle");
        assertThat(item(laser(450, 51), "resin-enough").state())
                .as("more than the tank holds is in the bottle")
                .isEqualTo(State.OK);
    }

    @Test
    void aLaserTankIsNeitherFeltNorStirred() {
        List<String> asked = GATE.items(laser(450, 51)).stream()
                .filter(i -> i.state() == State.ASK)
                .map(GateItem::text)
                .toList();
        assertThat(asked).hasSize(4).noneMatch(t -> t.contains("felt") || t.contains("stirred"));
        assertThat(asked).noneMatch(t -> t.contains("screen") || t.contains("film"));
    }

    @Test
    void printingTheSameAgainIsWarnedOf() {
        assertThat(item(facts(List.of(), 100, 240.0, 90.0, 21.5, true, false), "nothing-changed")
                        .state())
                .isEqualTo(State.WARN);
        assertThat(GATE.items(facts(List.of(), 100, 240.0, 90.0, 21.5, true, true)))
                .noneMatch(i -> i.code().equals("nothing-changed"));
    }

    private static GateFacts with(GateFacts.Profile profile, Double exposureS, GateFacts.Vat vat, List<GateItem> own) {
        return facts(List.of(), 100, 240.0, 90.0, 21.5, false, false, profile, exposureS, vat, own);
    }

    @Test
    void aResinWithoutAProfileOnThisMachineIsSaid() {
        GateItem item = item(with(null, 2.3, null, List.of()), "profile");
        assertThat(item.state()).isEqualTo(State.WARN);
        assertThat(item.text()).contains("No profile for Reed grey");
    }

    @Test
    void anExposureThatIsNotTheProfilesIsSaidWithBoth() {
        GateItem item = item(with(new GateFacts.Profile(4, 2.3, 5, 5), 2.8, null, List.of()), "profile");
        assertThat(item.state()).isEqualTo(State.WARN);
        assertThat(item.text()).contains("Profile 4").contains("2.3 s").contains("2.8 s");
        assertThat(item(with(new GateFacts.Profile(4, 2.3, 5, 5), 2.301, null, List.of()), "profile")
                        .state())
                .isEqualTo(State.OK);
    }

    @Test
    void aVatThatWouldRunOverIsWarnedOfWithHowMuchToTakeOut() {
        GateFacts.Vat vat = new GateFacts.Vat(new VatFill(160, 95, 26), new VatFill.Displacer(144 * 81, 12));
        GateItem item = item(with(null, null, vat, List.of()), "freeboard");
        assertThat(item.state()).isEqualTo(State.WARN);
        assertThat(item.text())
                .contains("1 mm below the rim")
                .contains("Take out about 76 ml"); // (240 000 + 144·81·12)/(160·95) = 25.0; most 164 ml
        GateFacts.Vat deep = new GateFacts.Vat(new VatFill(160, 95, 40), new VatFill.Displacer(144 * 81, 12));
        assertThat(item(with(null, null, deep, List.of()), "freeboard").state()).isEqualTo(State.OK);
    }

    @Test
    void theShopsOwnQuestionsStandAmongTheOthers() {
        GateItem own = new GateItem("own-1", GateItem.GatePart.ROOM, State.ASK, "Fan of the Annexe is on.");
        assertThat(GATE.items(with(null, null, null, List.of(own)))).contains(own);
    }
}
