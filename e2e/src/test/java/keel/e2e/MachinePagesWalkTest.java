package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import org.assertj.core.api.Assertions;
import org.junit.jupiter.api.Test;

/** A machine's tabs, what is done at it in one tap and taken back, and the same on a phone. */
class MachinePagesWalkTest extends DemoWalk {

    @Test
    void theTabsLeadToEachPageOfTheMachineAndBack() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/curlew");
        for (String tab : new String[] {"At the bench", "Plate", "Film", "Screen", "Light", "Profiles", "History"}) {
            page.click(".about a:text-is('" + tab + "')");
            assertThat(page.locator(".about [aria-current]")).hasText(tab);
            assertThat(page.locator(".spine [aria-current]")).containsText("Fleet");
            Browsing.accessible(page);
        }
        page.navigate("/machines/curlew/history");
        page.click(".about .back");
        page.waitForURL("**/machines/curlew");
    }

    @Test
    void whatTakesOneTapIsWrittenAndTakenBack() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/machines/curlew/bench");
        String before = page.locator(".job:has-text('Level the plate')").first().innerText();
        page.click(".job:has-text('Level the plate') button:has-text('Done')");
        assertThat(page.locator("#quick-answer")).containsText("Curlew: levelled");
        assertThat(page.locator(".job:has-text('Level the plate')").first())
                .not()
                .containsText(before.split("\n")[0]);
        page.click("#quick-answer [data-undo]");
        assertThat(page.locator("#quick-answer")).containsText("Taken back");
        assertThat(page.locator(".job:has-text('Level the plate')").first()).containsText(before.split("\n")[0]);
    }

    @Test
    void onAPhoneTheHeaderIsOneLineAndTheRestStandsBehindMore() {
        Page page = browsing.keeper(390, 844);
        page.navigate("/machines/curlew");
        Assertions.assertThat(page.locator(".topline").boundingBox().height).isLessThanOrEqualTo(64);
        assertThat(page.locator(".daily > a")).hasCount(4);
        page.click(".daily summary");
        Browsing.accessible(page);
        page.click(".daily .more a:has-text('Stores')");
        page.waitForURL("**/stores");
        page.navigate("/machines/curlew/history");
        assertThat(page.locator(".about [aria-current]")).isInViewport();
        Assertions.assertThat(page.evaluate("document.documentElement.scrollWidth <= 390"))
                .isEqualTo(true);
    }
}
