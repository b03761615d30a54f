package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * The bench of screens: photographed and its spots judged by tap, changed for a spare from the shelf, run dry with a
 * stopwatch by key.
 */
class ScreenWalkTest extends DemoWalk {

    @Test
    void aPhotographedScreenIsWrittenDownWithoutTheSpotThatWasTappedAway() {
        Page page = browsing.keeper(1024, 768);
        page.navigate("/bench/screens");
        page.click("a[aria-label='Inspect the screen of Curlew']");
        assertThat(page.locator(".screen-verdict")).containsText("Good around its spots.");
        page.click("button:has-text('Photograph all white')");
        page.waitForURL(Pattern.compile("photo=\\d+$"));
        assertThat(page.locator(".shot-spot")).hasCount(2);
        Browsing.accessible(page);
        page.locator(".shot-spot").last().click();
        assertThat(page.locator("[data-spot-tick='1']")).not().isChecked();
        page.locator(".shot-spot").last().focus();
        page.keyboard().press("Space");
        assertThat(page.locator(".shot-spot").last()).hasAttribute("aria-checked", "true");
        page.locator("[data-spot-tick='1']").uncheck();
        assertThat(page.locator(".shot-spot").last()).hasAttribute("aria-checked", "false");
        page.click("main button:has-text('Write it down')");
        page.waitForURL(Pattern.compile("/screen$"));
        assertThat(page.locator(".lookedat li").first()).containsText("2 spots");
        page.navigate("/machines/curlew/plate");
        assertThat(page.locator(".wearmap .off.screen")).hasCount(2);
    }

    @Test
    void aScreenIsChangedStepByStepForASpareThatFits() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/bittern/guides/screen-change");
        page.click("text=Begin");
        page.check("input[value=PATCH]");
        page.click("button:has-text('Done')");
        assertThat(page.locator("h1")).hasText("Does the spare fit?");
        String spare = page.locator("#f-spare").inputValue();
        assertThat(spare).as("the oldest spare is offered").startsWith("S");
        Browsing.accessible(page);
        for (int i = 0; i < 20 && page.locator("input[name=works]").count() == 0; i++) {
            String title = page.locator("h1").textContent();
            page.click("button:has-text('Done')");
            assertThat(page.locator("h1")).not().hasText(title);
        }
        page.check("input[name=works][value=true]");
        page.click("button:has-text('Done')");
        for (String title : List.of("Unplug again", "Tape the edge", "Vat back")) {
            assertThat(page.locator("h1")).hasText(title);
            page.click("button:has-text('Done')");
        }
        assertThat(page.locator("h1")).hasText("Write it down");
        page.click("main button.btn-main");
        assertThat(page.locator("h1")).hasText("Screen changed.");
        assertThat(page.locator(".follows")).containsText("Level the plate");
        page.navigate("/bench/screens/" + spare);
        assertThat(page.locator(".pagehead")).containsText("on Bittern");
    }

    @Test
    void aLayerIsTimedByKeyAndHeldAgainstTheProfile() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/egret/guides/dry-run");
        page.click("text=Begin");
        for (int i = 0; i < 12 && page.locator("[data-watch]").count() == 0; i++) {
            String title = page.locator("h1").textContent();
            page.keyboard().press("Space");
            assertThat(page.locator("h1")).not().hasText(title);
        }
        assertThat(page.locator(".stopwatch")).isVisible();
        for (int ms : new int[] {1000, 1400, 2000, 2450}) {
            page.evaluate("performance.now = () => " + ms);
            page.keyboard().press("t");
        }
        assertThat(page.locator("#f-liftS")).hasValue("0.40 0.45");
        Browsing.accessible(page);
        page.click("button:has-text('Done')");
        assertThat(page.locator("h1")).hasText("What did the paper show?");
        page.check("input[value=AS_FILE]");
        page.click("button:has-text('Done')");
        assertThat(page.locator("h1")).hasText("Write it down");
        page.click("main button.btn-main");
        assertThat(page.locator("h1")).hasText("Dry run.");
        page.navigate("/machines/egret/screen");
        assertThat(page.locator(".dryruns li").first()).containsText("Time to lift: 0.");
    }
}
