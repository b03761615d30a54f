package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * The bench of films: marks tapped on the map, a tone from the microphone and from a file, films changed in one
 * sitting.
 */
class FilmWalkTest extends DemoWalk {

    @Test
    void aFilmIsInspectedWithTapsOnItsMap() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/bench");
        page.click("a[aria-label='Inspect V6']");
        page.click(".grade-choices .choice:has-text('Hazy')");
        page.click(".mark-kinds .choice:has-text('Scratch')");
        int before = page.locator("[data-mark-list] li").count();
        page.locator(".film-map").click(new Locator.ClickOptions().setPosition(150, 90));
        page.locator(".film-map").click(new Locator.ClickOptions().setPosition(260, 120));
        assertThat(page.locator("[data-mark-list] li")).hasCount(before + 2);
        page.click("[data-mark-list] li:last-child button:has-text('+')");
        assertThat(page.locator("[data-mark-list] li").last()).containsText("scratch 4.5 mm");
        page.click("[data-mark-list] li:nth-last-child(2) button:has-text('gone')");
        Browsing.accessible(page);
        page.click("main button:text-is('Write it down')");
        page.waitForURL(Pattern.compile("/vats/V6\\?looked$"));
        assertThat(page.locator(".mark-list")).containsText("Scratch");
        assertThat(page.locator(".grades figure.is")).containsText("Hazy");
    }

    @Test
    void aToneIsRecordedInTheBrowser(@TempDir Path folder) throws IOException {
        Page page = browsing.keeper(1280, 800);
        Path taps = folder.resolve("taps.wav");
        Files.write(taps, page.request().get("/instruments/avocet/centre.wav").body());
        try (Browsing ears = Browsing.hearing(Demo.keel().address(), taps)) {
            Page there = ears.keeper(1280, 800);
            there.navigate("/vats/V1/tone");
            there.click("[data-record=centre] [data-record-start]");
            assertThat(there.locator("[data-record=centre]")).hasClass(Pattern.compile("heard"));
            there.click("main button:text-is('Listen')");
            there.waitForURL(Pattern.compile("/vats/V1/tone\\?heard$"));
            assertThat(there.locator(".tone-verdict")).containsText("Hz");
            double recorded = hertz(there);
            page.navigate("/vats/V1/tone");
            page.setInputFiles("#f-centre", taps);
            page.click("main button:text-is('Listen')");
            page.waitForURL(Pattern.compile("/vats/V1/tone\\?heard$"));
            assertThat(recorded)
                    .as("by the microphone as from the file")
                    .isBetween(hertz(page) * 0.97, hertz(page) * 1.03);
        }
    }

    @Test
    void whatIsNoRecordingIsSaidAndASimulatedOneIsDrawn(@TempDir Path folder) throws IOException {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/vats/V2/tone");
        page.setInputFiles("#f-centre", Files.write(folder.resolve("song.wav"), "ID3 this was an MP3".getBytes()));
        page.click("main button:text-is('Listen')");
        assertThat(page.locator("main .errors")).containsText("no WAV recording");
        page.click("main button:text-is('Simulated microphone')");
        page.waitForURL(Pattern.compile("/vats/V2/tone\\?heard$"));
        assertThat(page.locator(".tone-svg")).hasCount(2);
        assertThat(page.locator(".tone-svg").last()).containsText("second, along");
        Browsing.accessible(page);
    }

    @Test
    void twoFilmsAreBegunInOneSittingAndOneIsPutBack() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/bench/batch");
        page.evaluate("document.querySelectorAll('.choose-vats input').forEach(i => { i.checked = ['V8', "
                + "'V9'].includes(i.value); })");
        page.click("main button:text-is('Begin')");
        page.waitForURL(Pattern.compile("/guides/\\d+$"));
        assertThat(page.locator(".sitting li[aria-current]")).containsText("V9");
        page.keyboard().press("Space");
        assertThat(page.locator(".sitting li[aria-current]")).containsText("V8");
        page.click(".choice:has-text('Planned')");
        page.keyboard().press("Space");
        assertThat(page.locator("main h1")).hasText("Drain the vat");
        assertThat(page.locator(".sitting li[aria-current]")).containsText("V9");
        Browsing.accessible(page);
        page.keyboard().press("Backspace");
        assertThat(page.locator(".sitting li[aria-current]")).containsText("V8");
        page.click("summary:has-text('Give up')");
        page.click("main button:text-is('Give it up')");
        page.waitForURL(Pattern.compile("/vats/V8$"));
    }

    private static double hertz(Page page) {
        return Double.parseDouble(
                page.locator(".tone-verdict .figure").innerText().replace(" Hz", ""));
    }
}
