package keel.core.profile;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import keel.core.Finding;
import keel.core.Findings;
import keel.core.exposure.PrintTime;
import keel.core.resin.Warmth;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ProfileSettingsTest {

    private static Map<Setting, Double> sheet() {
        return new EnumMap<>(Map.of(
                Setting.LAYER_MM,
                0.05,
                Setting.BOTTOM_LAYERS,
                4.0,
                Setting.BOTTOM_EXPOSURE_S,
                30.0,
                Setting.EXPOSURE_S,
                2.5,
                Setting.LIFT_MM,
                6.0,
                Setting.LIFT_MM_PER_MIN,
                60.0,
                Setting.RETRACT_MM_PER_MIN,
                120.0));
    }

    private static ProfileSettings with(Setting setting, double value) {
        Map<Setting, Double> other = sheet();
        other.put(setting, value);
        return ProfileSettings.of(other);
    }

    @Test
    void whatAMakersSheetDoesNotNameIsAsUsual() {
        ProfileSettings settings = ProfileSettings.of(sheet());
        assertThat(settings.value(Setting.WAIT_BEFORE_S)).isZero();
        assertThat(settings.value(Setting.SCALE)).isEqualTo(1);
    }

    @ParameterizedTest
    @CsvSource({
        "EXPOSURE_S, 0",
        "EXPOSURE_S, NaN",
        "LIFT_MM_PER_MIN, 0",
        "LAYER_MM, 5",
        "BOTTOM_LAYERS, 2.5",
        "SCALE, 2"
    })
    void whatIsNotBelievableIsNamedAtItsSetting(Setting setting, double value) {
        Map<Setting, Double> wrong = sheet();
        wrong.put(setting, value);
        Findings findings = new Findings();
        ProfileSettings.check(wrong, findings);
        assertThat(findings.list()).extracting(Finding::field).containsExactly(setting.code());
        assertThatThrownBy(() -> ProfileSettings.of(wrong)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aMissingExposureIsSaid() {
        Map<Setting, Double> wrong = sheet();
        wrong.remove(Setting.EXPOSURE_S);
        assertThatThrownBy(() -> ProfileSettings.of(wrong))
                .hasMessageContaining("Layer exposure")
                .hasMessageContaining("missing");
    }

    /** 6 mm at 60 and 120 mm/min are 6 s and 3 s; 4·(30 + 9) + 96·(2.5 + 9). */
    @Test
    void aPrintTakesWhatItsLayersTake() {
        assertThat(PrintTime.of(ProfileSettings.of(sheet()).timing(100)).seconds())
                .isCloseTo(4 * 39 + 96 * 11.5, within(1e-9));
        assertThat(ProfileSettings.of(sheet()).timing(3).bottomLayers()).isEqualTo(3);
    }

    @Test
    void oneChangeNeedsNoReasonTwoDo() {
        ProfileSettings before = ProfileSettings.of(sheet());
        List<ProfileSettings.Change> one = before.changesTo(with(Setting.EXPOSURE_S, 2.7));
        assertThat(one).containsExactly(new ProfileSettings.Change(Setting.EXPOSURE_S, 2.5, 2.7));
        assertThat(OneAtATime.findings(one, null)).isEmpty();
        Map<Setting, Double> two = sheet();
        two.put(Setting.EXPOSURE_S, 2.7);
        two.put(Setting.LIFT_MM_PER_MIN, 40.0);
        List<ProfileSettings.Change> both = before.changesTo(ProfileSettings.of(two));
        assertThat(OneAtATime.findings(both, " ")).singleElement().satisfies(f -> assertThat(f.message())
                .contains("layer exposure and lift speed")
                .contains("say why"));
        assertThat(OneAtATime.findings(both, "Cold room: both belong together."))
                .isEmpty();
        assertThat(OneAtATime.findings(List.of(), "why not")).isNotEmpty();
    }

    @Test
    void theLastGoodVersionIsTheNewestBeforeThisOneThatCameOutMoreThanNot() {
        VersionFared first = new VersionFared(1, 30, 32);
        VersionFared second = new VersionFared(2, 4, 6);
        VersionFared third = new VersionFared(3, 1, 4);
        VersionFared fourth = new VersionFared(4, 1, 1);
        VersionFared current = new VersionFared(5, 9, 9);
        assertThat(VersionFared.lastGood(List.of(current, fourth, third, second, first)))
                .contains(second);
        assertThat(VersionFared.lastGood(List.of(first))).isEmpty();
    }

    /** Common practice: 0.2 to 0.5 s more and a lift of about 40 mm/min for cold resin, the most at six degrees. */
    @Test
    void coldResinAsksForMoreLightAndASlowerLift() {
        ProfileSettings settings = ProfileSettings.of(sheet());
        ColdResin cold = ColdResin.of(room(14.0), settings).orElseThrow();
        assertThat(cold.exposureFromS()).isCloseTo(2.7, within(1e-9));
        assertThat(cold.exposureToS()).isCloseTo(3.0, within(1e-9));
        assertThat(cold.liftMmPerMin()).isEqualTo(40);
        assertThat(ColdResin.of(room(18.0), settings).orElseThrow().exposureToS())
                .as("two degrees too cold")
                .isCloseTo(2.8, within(1e-9));
        assertThat(ColdResin.of(room(14.0), with(Setting.LIFT_MM_PER_MIN, 30))
                        .orElseThrow()
                        .liftMmPerMin())
                .isEqualTo(30);
        assertThat(ColdResin.of(room(19.9), settings)).isEmpty();
        assertThat(ColdResin.of(room(33.0), settings)).isEmpty();
        assertThat(ColdResin.of(null, settings)).isEmpty();
    }

    private static Warmth room(double celsius) {
        return new Warmth(celsius, false, 20, 30);
    }
}
