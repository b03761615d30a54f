package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.LoadState;
import com.microsoft.playwright.options.WaitForSelectorState;
import org.junit.jupiter.api.Test;

/** The round: the next thing, mine, not now and back again, few minutes, the sheet; upkeep by own rules. */
class RoundWalkTest extends DemoWalk {

    @Test
    void theNextThingIsTakenPutOffAndCalledBack() {
        Page page = browsing.keeper(1280, 800);
        page.keyboard().press("g");
        page.keyboard().press("r");
        page.waitForURL("**/round");
        Browsing.accessible(page);
        Locator next = page.locator("#next-what");
        String first = next.innerText();
        page.click(".acts button:has-text('Mine')");
        assertThat(page.locator(".round .where")).containsText("Yours, now");
        assertThat(next).hasText(first.replace("\n", " "));
        Page other = browsing.operator(1280, 800);
        other.navigate("/round");
        assertThat(other.locator(".round-rest:has-text('Somebody else has')")).containsText("Joost");
        page.click(".acts button:has-text('Leave it')");
        assertThat(page.locator(".round .where")).containsText("Next");

        Locator second = page.locator(".stops > li").first();
        String what = second.locator(".work strong").innerText();
        second.locator("summary").click();
        Browsing.accessible(page);
        second.locator("select[name=until]").selectOption("TOMORROW");
        second.locator("label:has-text('something for it is missing')").click();
        second.locator("button:has-text('Put it off')").click();
        Locator off = page.locator(".stops.later li:has-text('something for it is missing')");
        off.waitFor(new Locator.WaitForOptions().setState(WaitForSelectorState.ATTACHED));
        page.click("summary:has-text('Not for today')");
        assertThat(off).containsText(what);
        off.locator("button:has-text('Do it after all')").click();
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(page.locator(".stops.later li:has-text('something for it is missing')"))
                .hasCount(0);
    }

    @Test
    void aFewMinutesHoldAFewThingsAndTheSheetIsForTheWall() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/round");
        int all = page.locator(".stops:not(.later) > li").count();
        page.click(".at-hand a:has-text('10 min')");
        page.waitForURL("**/round?minutes=10");
        assertThat(page.locator(".stops:not(.later) > li").count()).isLessThan(all);
        assertThat(page.locator("h1 + .soft")).containsText("in 10 min");
        page.navigate("/round/sheet");
        assertThat(page.locator(".wall-lines li").count()).isPositive();
        assertThat(page.locator(".wall-lines li svg").count()).isPositive();
        Browsing.accessible(page);
        Page phone = browsing.keeper(390, 844);
        phone.navigate("/round");
        assertThat((Integer) phone.evaluate("document.documentElement.scrollWidth"))
                .isLessThanOrEqualTo(390);
    }

    @Test
    void aRuleOfOnesOwnIsRefusedMadeDoneAndTakenBack() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/bench/upkeep");
        Browsing.accessible(page);
        page.click("text=A new rule");
        page.waitForURL("**/bench/upkeep/new");
        page.fill("#f-name", "Oil the door of the cure box");
        page.selectOption("#f-scope", "SHOP");
        page.click("button:has-text('Save the rule')");
        assertThat(page.locator("main .errors")).containsText("Say when it is due");
        page.fill("#f-everyDays", "60");
        page.click("button:has-text('Save the rule')");
        page.waitForURL("**/bench/upkeep");
        page.click("a:has-text('Oil the door of the cure box') >> nth=0");
        page.waitForURL("**/bench/upkeep/*");
        Browsing.accessible(page);
        page.click("button[aria-label^='Done']");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(page.locator("main")).containsText("Take it back");
        page.click("button:has-text('Take it back')");
        page.waitForLoadState(LoadState.NETWORKIDLE);
        assertThat(page.locator("main")).containsText("taken back");
        page.click("summary:has-text('Not now')");
        page.click("button:has-text('Leave it out this time')");
        assertThat(page.locator("main .errors")).containsText("Say why it is not done");
    }
}
