package keel.app.screen;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import javax.imageio.ImageIO;
import keel.app.support.PageTest;
import keel.core.screen.ScreenInspection.SpotKind;
import keel.core.screen.TestPattern;
import keel.core.screen.TestPicture;
import keel.core.standing.MachineKind;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.mock.web.MockHttpServletResponse;

/**
 * A screen inspected by photograph: what is seen, kept, compared, and kept off. Its model has 5760 by 3240 pixels on
 * 144 by 81 mm.
 */
class ScreenPagesTest extends PageTest {

    @Autowired
    private ScreenSpots spots;

    private String machine;

    @BeforeEach
    void machine() {
        shop.people();
        machine = shop.maskMachine();
        shop.as("keeper");
    }

    @Test
    void aPhotographIsLookedAtAndNothingIsWrittenBeforeSomebodySaysSo() throws Exception {
        String to = sent(photograph(60, 30), "WHITE").getRedirectedUrl();
        String html = page(to);
        assertThat(html)
                .contains("1 spot stays dark.")
                .contains("Nothing is written down yet")
                .contains("data-spot=\"0\"");
        assertThat(spots.last(shop.now(machine))).isEmpty();
        String id = to.substring(to.indexOf('=') + 1);
        MockHttpServletResponse kept = file("/machines/" + machine + "/screen/photos/" + id);
        BufferedImage picture = ImageIO.read(new ByteArrayInputStream(kept.getContentAsByteArray()));
        assertThat(picture.getWidth()).as("kept, made smaller").isEqualTo(1600);
        assertThat(status("/machines/" + shop.maskMachine() + "/screen/photos/" + id))
                .as("a photograph of another machine")
                .isEqualTo(404);
        shop.as("keeper");
        accepted("/machines/" + machine + "/screen", "photo", id, "accepted", "0", "spots", "");
        ScreenSpots.Last last = spots.last(shop.now(machine)).orElseThrow();
        assertThat(last.spots()).singleElement().satisfies(s -> assertThat(Math.hypot(s.xMm() - 60, s.yMm() - 30))
                .isLessThan(0.5));
        assertThat(last.photo()).isEqualTo(Long.valueOf(id));
        assertThat(page("/machines/" + machine + "/screen?photo=" + id)).contains("Written down.");
    }

    @Test
    void aSpotThatIsTappedAwayIsNotWritten() throws Exception {
        String to = sent(photograph(60, 30), "WHITE").getRedirectedUrl();
        accepted(
                "/machines/" + machine + "/screen", "photo", to.substring(to.indexOf('=') + 1), "spots", "lit 20 20 1");
        assertThat(spots.last(shop.now(machine)).orElseThrow().spots())
                .singleElement()
                .satisfies(s -> assertThat(s.kind()).isEqualTo(SpotKind.LIT));
    }

    @Test
    void whatIsNoPhotographOfItIsSaidAndNotKept() throws Exception {
        assertThat(sent("GIF89a".getBytes(), "WHITE").getContentAsString()).contains("neither PNG nor JPEG");
        assertThat(sent(photograph(60, 30), "BLACK").getContentAsString())
                .contains("The photograph shows", "All white");
        assertThat(status("/machines/" + machine + "/screen?photo=999999")).isEqualTo(404);
    }

    /**
     * Spots steer the gate and the judgement of the screen; one that leaves a usual job no place calls for a change.
     */
    @Test
    void theVerdictFollowsTheSpots() {
        assertThat(page("/machines/" + machine + "/screen")).contains("Nobody inspected it yet.");
        accepted("/machines/" + machine + "/screen", "spots", "");
        assertThat(page("/machines/" + machine + "/screen")).contains("Good as it is.");
        accepted("/machines/" + machine + "/screen", "spots", "dark 60 30 2");
        assertThat(page("/machines/" + machine + "/screen")).contains("Good around its spots.");
        assertThat(page("/machines/" + machine + "/start")).contains("The screen has spots");
        assertThat(page("/bench/screens")).contains("Good around its spots");
        accepted("/machines/" + machine + "/screen", "spots", "dark 72 40 120");
        assertThat(page("/machines/" + machine + "/screen"))
                .contains("Change it now.")
                .contains("/do/SCREEN_CHANGE");
        assertThat(page("/machines/" + machine)).contains("Only ");
    }

    @Test
    void linesAndDimRegionsAreKeptDrawnAndKeptOff() {
        accepted("/machines/" + machine + "/screen", "spots", "line x 101.5\ndim 40 40 42x30 70\nDARK 10,5 20 1");
        ScreenSpots.Last last = spots.last(shop.now(machine)).orElseThrow();
        assertThat(last.spots()).extracting(s -> s.kind()).containsExactly(SpotKind.LINE, SpotKind.DIM, SpotKind.DARK);
        assertThat(last.spots().get(0).lengthMm()).isPositive();
        assertThat(last.spots().get(1).light()).isEqualTo(0.7);
        assertThat(page("/machines/" + machine + "/screen"))
                .contains("dead line from front to back")
                .contains("gives 70 % of its light, 42 × 30 mm")
                .contains("line x 101.5");
        assertThat(page("/machines/" + machine + "/plate")).contains("dead line from front to back");
        assertThat(page("/logbook")).contains("1 dead line").contains("1 region with less light");
        refused(422, "This is no spot", "/machines/" + machine + "/screen", "spots", "line z 3");
    }

    @Test
    void whatIsKeptIsComparedAndKeptOff() {
        accepted("/machines/" + machine + "/screen", "spots", "dark 60 30 1.5\nlit 20 20 0.8");
        ScreenSpots.Last last = spots.last(shop.now(machine)).orElseThrow();
        assertThat(last.clean()).isFalse();
        assertThat(last.spots()).extracting(s -> s.kind()).containsExactly(SpotKind.DARK, SpotKind.LIT);
        assertThat(page("/machines/" + machine + "/screen"))
                .contains("2 spots when it was looked at")
                .contains("stays lit, 0.8 mm");
        assertThat(page("/machines/" + machine + "/plate")).contains("spot on the screen, 1.5 mm");
        accepted("/machines/" + machine + "/screen", "spots", "");
        assertThat(page("/machines/" + machine + "/screen")).contains("No spots when it was looked at");
    }

    /** White cannot show what stays lit: that stays on the list until black was photographed. */
    @Test
    void whatAPatternCannotShowStaysOnTheList() throws Exception {
        accepted("/machines/" + machine + "/screen", "spots", "lit 20 20 0.8\ndark 100 60 1.5");
        String html = page(sent(photograph(60, 30), "WHITE").getRedirectedUrl());
        assertThat(html)
                .contains("lit 20.0 20.0 0.8")
                .contains("stays dark, 1.9 mm, sure")
                .contains("no longer seen")
                .doesNotContain("dark 100.0 60.0 1.5");
    }

    @Test
    void spotsThatAreNoneAreRefusedAndKept() {
        String html = refused(422, "This is no spot", "/machines/" + machine + "/screen", "spots", "dark 60 30");
        assertThat(html).contains("dark 60 30");
        refused(422, "A spot&#39;s place from the left", "/machines/" + machine + "/screen", "spots", "dark 600 30 2");
        assertThat(spots.last(shop.now(machine))).isEmpty();
    }

    @Test
    void picturesComeAtTheScreensOwnPixels() throws Exception {
        BufferedImage image = ImageIO.read(new ByteArrayInputStream(
                file("/machines/" + machine + "/screen/checker.png").getContentAsByteArray()));
        assertThat(image.getWidth()).isEqualTo(5760);
        assertThat(image.getHeight()).isEqualTo(3240);
        shop.as("keeper");
        assertThat(status("/machines/" + machine + "/screen/mauve.png")).isEqualTo(404);
        assertThat(status("/machines/" + shop.machine(MachineKind.PROJECTOR, false) + "/screen"))
                .isEqualTo(404);
    }

    /** All white at a third of its pixels on a dark bench, with a spot of 2 mm. */
    private static byte[] photograph(double xMm, double yMm) throws Exception {
        TestPicture picture = TestPicture.of(TestPattern.WHITE, 5760, 3240);
        BufferedImage photo = new BufferedImage(2100, 1240, BufferedImage.TYPE_BYTE_GRAY);
        for (int y = 0; y < 1080; y++) {
            for (int x = 0; x < 1920; x++) {
                photo.getRaster().setSample(x + 90, y + 80, 0, 15 + picture.grey(3 * x + 1, 3 * y + 1) * 200 / 255);
            }
        }
        Graphics2D g = photo.createGraphics();
        g.setColor(new Color(15, 15, 15));
        double mm = 1920 / 144.0;
        g.fillOval((int) (90 + (xMm - 1) * mm), (int) (80 + 1080 - (yMm + 1) * mm), (int) (2 * mm), (int) (2 * mm));
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(photo, "png", out);
        return out.toByteArray();
    }

    private MockHttpServletResponse sent(byte[] bytes, String pattern) {
        return upload("/machines/" + machine + "/screen/photo", "photo", bytes, "pattern", pattern);
    }
}
