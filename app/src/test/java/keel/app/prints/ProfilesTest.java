package keel.app.prints;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import keel.app.failures.FailureEntry;
import keel.app.failures.Failures;
import keel.app.fleet.Fleet;
import keel.app.fleet.Parts;
import keel.app.people.LogFilter;
import keel.app.people.Logbook;
import keel.app.starting.Gates;
import keel.app.stores.Resins;
import keel.app.support.PageTest;
import keel.app.support.TestShop;
import keel.core.profile.Setting;
import keel.core.run.RunNumber;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.access.AccessDeniedException;

/** Profiles: one change at a time, each run keeps its version, and back to the last good one. */
class ProfilesTest extends PageTest {

    private static final Map<String, String> SHEET = new LinkedHashMap<>(Map.of(
            "layerMm",
            "0.05",
            "bottomLayers",
            "5",
            "bottomExposureS",
            "28",
            "exposureS",
            "2,3",
            "liftMm",
            "5",
            "liftMmPerMin",
            "100",
            "retractMmPerMin",
            "150"));

    @Autowired
    private Profiles profiles;

    @Autowired
    private Runs runs;

    @Autowired
    private Resins resins;

    @Autowired
    private Parts parts;

    @Autowired
    private Fleet fleet;

    @Autowired
    private Logbook logbook;

    @Autowired
    private Failures failures;

    @Autowired
    private Gates gates;

    @Autowired
    private JdbcClient jdbc;

    private static String[] fields(Map<String, String> settings, String... more) {
        return Stream.concat(
                        settings.entrySet().stream().flatMap(e -> Stream.of(e.getKey(), e.getValue())), Stream.of(more))
                .toArray(String[]::new);
    }

    private static Map<String, String> with(String setting, String value) {
        Map<String, String> other = new LinkedHashMap<>(SHEET);
        other.put(setting, value);
        return other;
    }

    private static Map<Setting, Double> amounts(double exposureS) {
        return new EnumMap<>(Map.of(
                Setting.LAYER_MM,
                0.05,
                Setting.BOTTOM_LAYERS,
                5.0,
                Setting.BOTTOM_EXPOSURE_S,
                28.0,
                Setting.EXPOSURE_S,
                exposureS,
                Setting.LIFT_MM,
                5.0,
                Setting.LIFT_MM_PER_MIN,
                100.0,
                Setting.RETRACT_MM_PER_MIN,
                150.0));
    }

    /** A machine with resin in its vat and a first version of its profile, begun on the page. */
    private String machine(String resin) {
        String m = shop.maskMachine();
        resins.pour(
                parts.vatOn(fleet.machine(m).id()).code(),
                resin,
                300.0,
                Instant.now().minusSeconds(86_400 * 9));
        assertThat(accepted("/machines/" + m + "/profiles", fields(SHEET, "resin", resin, "school", "MAKER")))
                .isEqualTo("/machines/" + m + "/profiles/" + resin);
        return m;
    }

    private long printed(String m, int hoursAgo, String outcome) {
        Instant start = Instant.now().minusSeconds(3600L * hoursAgo);
        return runs.enter(new RunEntry(m, "Latch", start, start.plusSeconds(3000), 900, 1.8, 9.0, outcome, null, null))
                .id();
    }

    @Test
    void aRunOfWhichNobodyKnowsTheExposureHasThatOfItsProfile() {
        String m = machine(resins.add("Exposing", 1.1));
        Instant start = Instant.now();
        RunView run = runs.enterRemembered(
                new RunEntry(m, "Swift", start, start.plusSeconds(100), null, null, null, "GOOD", null, null));
        assertThat(run.layerExposureS()).isEqualTo(2.3);
        assertThat(run.profileVersion()).isEqualTo(1);
        assertThat(run.guessed()).containsExactlyInAnyOrder(RunNumber.values());
    }

    @Test
    void whatIsMissingOnAMakersSheetIsSaidAndTheRestStays() {
        String m = shop.maskMachine();
        String resin = shop.resin("Silt");
        Map<String, String> half = new LinkedHashMap<>(SHEET);
        half.put("exposureS", "");
        half.put("liftMmPerMin", "0");
        String html = refused(
                422,
                "Layer exposure must be between 0.05 and 300 s; it is missing.",
                "/machines/" + m + "/profiles",
                fields(half, "resin", resin, "school", "MAKER"));
        assertThat(html).contains("Lift speed must be between 1 and 5000 mm/min", "value=\"28\"");
        refused(
                422,
                "This is no number: quick.",
                "/machines/" + m + "/profiles",
                fields(with("liftMmPerMin", "quick"), "resin", resin, "school", "MAKER"));
        refused(
                422,
                "Choose how you come to the settings.",
                "/machines/" + m + "/profiles",
                fields(SHEET, "resin", resin));
        assertThat(profiles.exists(m, resin)).isFalse();
        assertThat(page("/machines/" + m + "/profiles")).contains("No profile yet");
    }

    @Test
    void oneChangeIsAVersionTwoAskWhy() {
        String resin = shop.resin("Silt");
        String m = machine(resin);
        String path = "/machines/" + m + "/profiles/" + resin;
        refused(422, "Nothing is changed.", path, fields(SHEET, "after", "1"));
        Map<String, String> two = with("exposureS", "2.5");
        two.put("liftMmPerMin", "60");
        String html = refused(
                422,
                "These change at once: layer exposure and lift speed.",
                path,
                fields(two, "after", "1", "why", " "));
        assertThat(html).contains("value=\"2.5\"", "value=\"60\"");
        accepted(path, fields(with("exposureS", "2.5"), "after", "1"));
        assertThat(profiles.of(m, resin).current().changes()).singleElement().satisfies(c -> assertThat(c.setting())
                .isEqualTo(Setting.EXPOSURE_S));
        refused(409, "Somebody made version 2 meanwhile.", path, fields(with("liftMmPerMin", "60"), "after", "1"));
        accepted(path, fields(two, "after", "2"));
        assertThat(profiles.of(m, resin).versions()).hasSize(3);
        assertThat(logbook.lines(LogFilter.ofMachine(m, 3)).get(0).headline())
                .contains("version 3: lift speed 100 to 60 mm/min");
    }

    @Test
    void eachRunKeepsTheVersionThatWasInForceWhenItStarted() {
        String resin = shop.resin("Silt");
        String m = machine(resin);
        madeDaysAgo(m, resin, 1, 6);
        assertThat(runs.one(printed(m, 24 * 7, "GOOD")).profileVersion())
                .as("the profile was begun after that")
                .isNull();
        long first = printed(m, 24 * 5, "GOOD");
        profiles.change(m, resin, amounts(2.6), null, 1);
        madeDaysAgo(m, resin, 2, 4);
        long second = printed(m, 24 * 3, "FAILED");
        assertThat(runs.one(first).profileVersion()).isEqualTo(1);
        assertThat(runs.one(second).profileVersion()).isEqualTo(2);
        ProfileView profile = profiles.of(m, resin);
        assertThat(profile.version(1).orElseThrow().fared().good()).isEqualTo(1);
        assertThat(profile.version(2).orElseThrow().fared().good()).isZero();
        String other = shop.resin("Mud");
        resins.pour(
                parts.vatOn(fleet.machine(m).id()).code(),
                other,
                50.0,
                Instant.now().minusSeconds(86_400 * 2));
        assertThat(runs.one(printed(m, 24, "GOOD")).profileVersion())
                .as("another resin is in the vat, which has no profile")
                .isNull();
    }

    private void madeDaysAgo(String m, String resin, int number, int days) {
        jdbc.sql("update profile_version set made_at = ? where id = ?")
                .params(
                        Instant.now().minusSeconds(86_400L * days).atOffset(ZoneOffset.UTC),
                        profiles.of(m, resin).version(number).orElseThrow().id())
                .update();
    }

    @Test
    void versionsAreComparedAndTheLastGoodOneIsOffered() {
        String resin = shop.resin("Silt");
        String m = machine(resin);
        long version = profiles.of(m, resin).current().id();
        attach(
                version,
                List.of("GOOD", "GOOD", "GOOD", "GOOD", "GOOD", "GOOD", "GOOD", "GOOD", "GOOD", "FAILED"),
                m,
                300);
        profiles.change(m, resin, amounts(1.4), null, 1);
        attach(
                profiles.of(m, resin).current().id(),
                List.of("FAILED", "FAILED", "FAILED", "GOOD", "FAILED", "FAILED"),
                m,
                200);
        String html = page("/machines/" + m + "/profiles/" + resin);
        assertThat(html)
                .contains(
                        "9 of 10 came out",
                        "1 of 6 came out",
                        "Version 2 is worse than version 1",
                        "Back to version 1, the last good one");
        accepted("/machines/" + m + "/profiles/" + resin + "/back", "to", "1");
        ProfileView after = profiles.of(m, resin);
        assertThat(after.current().number()).isEqualTo(3);
        assertThat(after.current().settings())
                .isEqualTo(after.version(1).orElseThrow().settings());
        refused(409, "has these settings already", "/machines/" + m + "/profiles/" + resin + "/back", "to", "1");
    }

    /** Runs of the past are tied to a version as if it had been in force: the page only counts. */
    private void attach(long version, List<String> outcomes, String m, int hoursAgo) {
        for (int i = 0; i < outcomes.size(); i++) {
            long run = printed(m, hoursAgo - 2 * i, outcomes.get(i));
            jdbc.sql("update run set profile_version_id = ? where id = ?")
                    .params(version, run)
                    .update();
        }
    }

    @Test
    void aChangedSettingCountsAsAChangeSinceTheFailure() {
        String resin = shop.resin("Silt");
        String m = machine(resin);
        madeDaysAgo(m, resin, 1, 6);
        failures.log(
                new FailureEntry(m, null, Instant.now().minusSeconds(60), List.of("layer-split"), null, null, null));
        shop.service(m, "CLEAN_UP", now(), "way", "FULL");
        assertThat(gates.of(m, Gates.Job.of(1000, 84.0))).anyMatch(i -> i.code().equals("nothing-changed"));
        profiles.change(m, resin, amounts(2.6), null, 1);
        assertThat(gates.of(m, Gates.Job.of(1000, 84.0)))
                .noneMatch(i -> i.code().equals("nothing-changed"))
                .anySatisfy(i -> assertThat(i.text())
                        .isEqualTo("Profile 2 for " + resin.replace('-', ' ') + ", the first print with it."));
    }

    /** Hours since the shop's first day. */
    private static double now() {
        return (Instant.now().getEpochSecond() - TestShop.SINCE.getEpochSecond()) / 3600.0;
    }

    @Test
    void anOperatorLooksButDoesNotChange() {
        String resin = shop.resin("Silt");
        String m = machine(resin);
        shop.as("operator");
        assertThat(page("/machines/" + m + "/profiles/" + resin))
                .contains("Settings in force")
                .doesNotContain("Make version 2");
        assertThatThrownBy(() -> profiles.change(m, resin, amounts(2.6), null, 1))
                .isInstanceOf(AccessDeniedException.class);
    }

    /** Jacobs 1992: C_d = D_p·ln(E/E_c); with D_p 0.1 and E_c 1, e, e² and e³ seconds cure 0.1, 0.2 and 0.3 mm. */
    @Test
    void aThicknessTestProposesTheExposureForADepth() {
        String resin = shop.resin("Silt");
        String m = machine(resin);
        String path = "/machines/" + m + "/profiles/" + resin + "/curve";
        String[] test = {
            "exposure0",
            "2.71828",
            "depth0",
            "0.1",
            "exposure1",
            "7.38906",
            "depth1",
            "0.2",
            "exposure2",
            "20.0855",
            "depth2",
            "0.3",
            "wanted",
            "0.15"
        };
        assertThat(form(path, test).html()).contains("4.48 s cure 0.15 mm.", "0.100 mm", "set=exposureS&amp;to=4.48");
        assertThat(page("/machines/" + m + "/profiles/" + resin + "?set=exposureS&to=4.48"))
                .contains("value=\"4.48\"");
        refused(422, "at least two test pieces", path, "exposure0", "2", "depth0", "0.1");
        refused(422, "Row 2 is half empty.", path, "exposure0", "2", "depth0", "0.1", "exposure1", "4");
        accepted(path, Stream.concat(Stream.of(test), Stream.of("keep", "true")).toArray(String[]::new));
        assertThat(page("/machines/" + m + "/profiles/" + resin)).contains("Dp 0.100 mm, Ec 1.00 s, from 3 pieces");
    }

    @Test
    void caliperReadingsProposeAScaleOnlyWhereTheyTell() {
        String resin = shop.resin("Silt");
        String m = machine(resin);
        String path = "/machines/" + m + "/profiles/" + resin + "/scale";
        assertThat(form(
                                path,
                                "nominal0",
                                "50",
                                "measured0",
                                "51",
                                "nominal1",
                                "50",
                                "measured1",
                                "51.01",
                                "nominal2",
                                "50",
                                "measured2",
                                "50.99")
                        .html())
                .contains("Scale by 0.980", "set=scale");
        assertThat(form(path, "nominal0", "50", "measured0", "51").html())
                .contains("Nothing to correct.", "Too few readings");
        refused(422, "more than 0", path, "nominal0", "0", "measured0", "51");
    }
}
