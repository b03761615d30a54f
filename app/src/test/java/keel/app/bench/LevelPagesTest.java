package keel.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;

class LevelPagesTest extends PageTest {

    @Test
    void readingsAreJudgedKeptAndShownAsDrift() {
        String m = shop.maskMachine();
        shop.service(m, "PLATE_WORK", 2, "work", "ABRADED");
        assertThat(shop.holds(m)).containsExactly("not-levelled");
        String[] readings = {"z00", "0", "z02", "0,12", "z20", "0", "z22", "0.12", "z11", "0.06", "gaugeSdMm", "0.01"};
        Shown judged = form("/machines/" + m + "/level", readings);
        assertThat(judged.html())
                .contains(
                        "Level it again.",
                        "The front left corner hangs",
                        "value=\"0,12\"",
                        "Write it down as levelled");
        assertThat(shop.holds(m)).as("judging writes nothing").containsExactly("not-levelled");
        String[] keep = Arrays.copyOf(readings, readings.length + 2);
        keep[readings.length] = "keep";
        keep[readings.length + 1] = "true";
        accepted("/machines/" + m + "/level", keep);
        assertThat(shop.holds(m)).isEmpty();
        assertThat(page("/machines/" + m + "/level"))
                .contains("How it drifted", "adjust")
                .containsPattern("0\\.0[0-9]");
    }

    @Test
    void tooFewReadingsAndNonsenseAreSaidAndWhatWasTypedStays() {
        String m = shop.maskMachine();
        String html = refused(
                422,
                "at least three readings",
                "/machines/" + m + "/level",
                "z00",
                "0.1",
                "z22",
                "0.2",
                "gaugeSdMm",
                "0.01");
        assertThat(html).contains("value=\"0.1\"");
        refused(422, "This is no number: low.", "/machines/" + m + "/level", "z00", "low");
        refused(422, "is not believable", "/machines/" + m + "/level", "z00", "40", "z02", "0", "z20", "0");
        refused(422, "lie on one line", "/machines/" + m + "/level", "z00", "0", "z11", "0.1", "z22", "0");
    }

    @Test
    void aHollowPlateIsSentToBeSanded() {
        String m = shop.maskMachine();
        assertThat(form(
                                "/machines/" + m + "/level",
                                "z00",
                                "0",
                                "z02",
                                "0",
                                "z20",
                                "0",
                                "z22",
                                "0",
                                "z11",
                                "-0.4",
                                "gaugeSdMm",
                                "0.01")
                        .html())
                .contains("Sand it: 120 grit, then 80.");
    }

    @Test
    void readingsSentFromElsewhereThatMakeNoPlaneDoNotShutThePage() {
        String m = shop.maskMachine();
        shop.service(
                m,
                "LEVELLING",
                1,
                "school",
                "PAPER",
                "readings",
                List.of(at(0, 0, 0.1), at(70, 40, 0.1), at(140, 80, 0.1)));
        shop.service(
                m,
                "LEVELLING",
                2,
                "school",
                "PAPER",
                "readings",
                List.of(at(0, 0, 0.1), at(140, 0, 0.1), at(0, 80, 0.1), at(140, 80, 0.1)));
        shop.service(m, "LEVELLING", 3, "school", "PAPER", "readings", List.of(0.1, 0.2, "as always"));
        assertThat(page("/machines/" + m + "/level")).doesNotContain("How it drifted");
        shop.service(
                m, "LEVELLING", 4, "school", "PAPER", "readings", List.of(at(0, 0, 0), at(100, 0, 0.37), at(0, 80, 0)));
        assertThat(page("/machines/" + m + "/level"))
                .as("0.37 mm in 100 mm, by hand")
                .contains("How it drifted", ">0.37<");
    }

    @Test
    void theDragOfPaperFindsATiltWithoutAnyGauge() {
        String m = shop.maskMachine();
        assertThat(page("/machines/" + m + "/level?by=drag")).contains("<option value=\"LOOSE\">loose</option>");
        assertThat(form(
                                "/machines/" + m + "/level",
                                "by",
                                "drag",
                                "z00",
                                "TIGHT",
                                "z20",
                                "TIGHT",
                                "z02",
                                "LOOSE",
                                "z22",
                                "LOOSE",
                                "z11",
                                "RIGHT")
                        .html())
                .contains("Level it again.", "The front left corner hangs 0.12 mm lower");
        refused(422, "loose, right or tight, not 0.2", "/machines/" + m + "/level", "by", "drag", "z00", "0.2");
    }

    @Test
    void twentyFivePlacesAreJudgedToo() {
        String m = shop.maskMachine();
        List<String> fields = new ArrayList<>(List.of("side", "5", "gaugeSdMm", "0.01"));
        for (int row = 0; row < 5; row++) {
            for (int column = 0; column < 5; column++) {
                fields.addAll(List.of("z" + row + column, row == 2 && column == 2 ? "0.4" : "0.0"));
            }
        }
        assertThat(form("/machines/" + m + "/level", fields.toArray(String[]::new))
                        .html())
                .contains("Sand it: 120 grit, then 80.", "name=\"z44\"");
    }

    /** ISO 261: M4 has a pitch of 0.7 mm. 0.14 mm over the 100 mm between the screws are 0.2 of a turn. */
    @Test
    void aPlateOnScrewsIsToldInTurns() {
        String m = shop.bolted("BOLTS_4");
        String[] typed = {
            "z00",
            "0",
            "z20",
            "0",
            "z02",
            "0.169344",
            "z22",
            "0.169344",
            "gaugeSdMm",
            "0.01",
            "thread",
            "M4",
            "screwsAcrossMm",
            "100",
            "screwsDeepMm",
            "60"
        };
        assertThat(form("/machines/" + m + "/level", typed).html()).contains("0.20 of a turn, plate up", "leave it");
        typed[typed.length - 1] = "";
        refused(
                422,
                "The distance of the screws from front to back must be between 5 and 1000 mm",
                "/machines/" + m + "/level",
                typed);
        assertThat(page("/machines/" + shop.maskMachine() + "/level"))
                .as("a ball joint has no screws to turn")
                .doesNotContain("Turns for each levelling screw");
    }

    @Test
    void theGaugeThatWasUsedStaysWithItsReadings() {
        String m = shop.maskMachine();
        shop.service(
                m,
                "LEVELLING",
                1,
                "school",
                "PAPER",
                "gaugeSdMm",
                0.2,
                "readings",
                List.of(at(0, 0, 0), at(140, 0, 0), at(0, 80, 0), at(140, 80, 0), at(70, 40, 0.5)));
        shop.service(
                m,
                "LEVELLING",
                2,
                "school",
                "PAPER",
                "readings",
                List.of(at(0, 0, 0), at(140, 0, 0), at(0, 80, 0), at(140, 80, 0), at(70, 40, 0.5)));
        assertThat(page("/machines/" + m + "/level"))
                .as("so shaky a gauge explains the hump")
                .contains(">good<")
                .as("the usual one does not")
                .contains(">sand<");
    }

    private static Map<String, Double> at(double xMm, double yMm, double zMm) {
        return Map.of("xMm", xMm, "yMm", yMm, "zMm", zMm);
    }
}
