package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * A failure from the log to the way back: checks answered by number keys, one passed over, one taken back, the cause
 * named, opened again.
 */
class DeskWalkTest extends DemoWalk {

    @Test
    void aCauseIsFoundWithNumberKeysAlone() {
        Page page = browsing.keeper(1280, 800);
        log(page, "Layers split");
        assertThat(page.locator(".look-name")).isVisible();
        Browsing.accessible(page);
        String first = page.locator(".look-name").innerText();
        page.keyboard().press("0");
        assertThat(page.locator(".look-name")).not().hasText(first);
        assertThat(page.locator("main")).containsText("Passed over");
        String second = page.locator(".look-name").innerText();
        page.keyboard().press("1");
        assertThat(page.locator(".done-checks")).containsText(second);
        page.click(".done-checks button:has-text('take back')");
        assertThat(page.locator(".done-checks li")).hasCount(0);
    }

    @Test
    void theVatBoltsAreTriedAndTheWayBackIsShown() {
        Page page = browsing.keeper(1280, 800);
        log(page, "Layers split", "Parts missing", "Vat rides up");
        page.navigate(page.url().replaceAll("\\?.*$", "") + "?look=vat-bolts");
        assertThat(page.locator(".look-name")).hasText("Try the vat bolts");
        page.keyboard().press("1");
        assertThat(page.locator(".suspects li").first()).containsText("Vat bolts not tight");
        assertThat(page.locator(".look button:has-text('It is this: vat bolts not tight')"))
                .isVisible();
        Browsing.accessible(page);
        page.keyboard().press("1");
        assertThat(page.locator("main")).containsText("Presumed: vat bolts not tight");
        assertThat(page.locator(".recover")).containsText("Level the plate");
        page.click("summary:has-text('Open it again')");
        page.fill("#reopen-why", "They were tight after all");
        page.click("main button:text-is('Open it again')");
        assertThat(page.locator("main")).containsText("the cause is open again");
        assertThat(page.locator("main .caution:has-text('Presumed')")).hasCount(0);
    }

    @Test
    void aFailureThatSaysNothingAsksOneQuestion() {
        Page page = browsing.keeper(1280, 800);
        log(page);
        assertThat(page.locator("main")).containsText("What do you see?");
        assertThat(page.locator(".look-name")).hasCount(0);
        Browsing.accessible(page);
        page.click(".seen-more .choice:has-text('Grinding')");
        page.click("main button:text-is('Count it in')");
        assertThat(page.locator(".suspects li").first()).isVisible();
        assertThat(page.locator(".stack.lit .glow").first()).isVisible();
        page.click(".seen-chip:has-text('grinding')");
        assertThat(page.locator("main")).containsText("What do you see?");
        page.click("main button:has-text('It was a slip')");
        page.waitForURL("**/failures");
    }

    @Test
    void theOwnerSeesWhatATuningWouldChangeBeforeItCounts() {
        Page page = browsing.signedIn("owner", "saltmarsh-owner", 1280, 800);
        page.navigate("/failures");
        page.click("main a:text-is('What is known')");
        page.click("main a:text-is('Vat bolts not tight')");
        page.fill("#weight", "6");
        page.click("main button:text-is('See what it would change')");
        assertThat(page.locator("main .answer")).containsText("the named cause stands first in");
        page.fill("#why", "Ours shake");
        page.click("main button:text-is('Let these figures count')");
        page.waitForURL("**/knowledge");
        assertThat(page.locator("main")).containsText("Ours shake");
        page.click("main button:text-is('Back to the figures that ship')");
        assertThat(page.locator("main")).containsText("Back to the figures that ship.");
    }

    private static void log(Page page, String... symptoms) {
        page.navigate("/failures/new?machine=curlew");
        for (String symptom : symptoms) {
            page.click(".choice:has-text('" + symptom + "')");
        }
        page.click("main button:text-is('Log the failure')");
        page.waitForURL(Pattern.compile("/failures/\\d+$"));
    }
}
