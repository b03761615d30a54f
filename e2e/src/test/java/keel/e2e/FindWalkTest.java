package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import org.junit.jupiter.api.Test;

/** The top line finds what is no entry, and says so where there is nothing. */
class FindWalkTest extends DemoWalk {

    @Test
    void whatIsNoEntryIsFoundAndOpened() {
        Page page = browsing.keeper(1280, 800);
        page.keyboard().press("/");
        page.keyboard().type("baselines");
        assertThat(page.locator("#quick-answer .near a").first()).containsText("Baselines");
        Browsing.accessible(page);
        page.click("#quick-answer .near a >> nth=0");
        page.waitForURL("**/bench/baselines");
        page.navigate("/find?q=hinge");
        assertThat(page.locator(".found").first()).containsText("Hinge");
        Browsing.accessible(page);
        page.fill("#find-q", "zzqqxx");
        page.keyboard().press("Enter");
        page.waitForURL("**/find?q=zzqqxx");
        assertThat(page.locator("main .empty")).containsText("Nothing here is called");
    }
}
