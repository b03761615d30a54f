package keel.app.bench;

import static org.assertj.core.api.Assertions.assertThat;

import keel.app.support.PageTest;
import org.junit.jupiter.api.Test;

class StancePagesTest extends PageTest {

    @Test
    void theCornerThatLiftsTakesItsGap() {
        String m = shop.maskMachine();
        assertThat(form("/machines/" + m + "/stance", "by", "rock", "lifts", "BACK_LEFT", "gapMm", "1,2")
                        .html())
                .contains("1.2 mm under the back left foot.");
        assertThat(form("/machines/" + m + "/stance", "by", "rock", "lifts", "BACK_LEFT", "gapMm", "0.05")
                        .html())
                .contains("It stands as it should.");
        refused(422, "Tap the corner that lifts.", "/machines/" + m + "/stance", "by", "rock", "gapMm", "1");
        refused(422, "0 to 20 mm", "/machines/" + m + "/stance", "by", "rock", "lifts", "BACK_LEFT", "gapMm", "200");
        refused(
                422,
                "This is no number: wide.",
                "/machines/" + m + "/stance",
                "by",
                "rock",
                "lifts",
                "BACK_LEFT",
                "gapMm",
                "wide");
    }

    /** By hand: 5 mm/m over 240 mm is 1.2 mm; 1 degree is 17.455 mm/m, over 100 mm 1.7 mm. */
    @Test
    void aSlopeBecomesShimsInEitherUnit() {
        String m = shop.maskMachine();
        assertThat(form(
                                "/machines/" + m + "/stance",
                                "by",
                                "level",
                                "unit",
                                "mm/m",
                                "across",
                                "5",
                                "along",
                                "",
                                "spanXMm",
                                "240",
                                "spanYMm",
                                "200")
                        .html())
                .contains("1.2 mm under the back left foot, 1.2 mm under the front left foot.");
        assertThat(form(
                                "/machines/" + m + "/stance",
                                "by",
                                "level",
                                "unit",
                                "degrees",
                                "across",
                                "0",
                                "along",
                                "-1",
                                "spanXMm",
                                "240",
                                "spanYMm",
                                "100")
                        .html())
                .contains("1.7 mm under the back left foot, 1.7 mm under the back right foot.");
        refused(
                422,
                "not believable for a bench",
                "/machines/" + m + "/stance",
                "by",
                "level",
                "across",
                "500",
                "spanXMm",
                "240",
                "spanYMm",
                "200");
        refused(
                422,
                "How far the feet are apart",
                "/machines/" + m + "/stance",
                "by",
                "level",
                "across",
                "5",
                "spanXMm",
                "",
                "spanYMm",
                "200");
    }

    @Test
    void keepingItReleasesAMachineThatWasMoved() {
        String m = shop.maskMachine();
        shop.service(m, "MOVED", 3, "room", shop.now(m).room());
        assertThat(shop.holds(m)).contains("stance-unchecked");
        assertThat(page("/machines/" + m + "/stance")).contains("oved to");
        accepted("/machines/" + m + "/stance/kept", "note", "1.2 mm of steel under back left");
        assertThat(shop.holds(m)).doesNotContain("stance-unchecked");
        assertThat(page("/machines/" + m + "/stance?kept"))
                .contains("it stands firm and level", "1.2 mm of steel under back left");
    }
}
