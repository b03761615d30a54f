package keel.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/**
 * The stores as they are used: two scans for a pour, a print through the wash, a count, an order that comes, a bag
 * handed in.
 */
class StoresWalkTest extends DemoWalk {

    @Test
    void twoScansPour() {
        Page page = browsing.keeper(1280, 800);
        page.fill("#quick-line", "vk-b-b2");
        page.keyboard().press("Enter");
        page.waitForURL("**/stores/bottles/B2");
        assertThat(page.locator("#f-into")).isFocused();
        Browsing.accessible(page);
        page.keyboard().type("vk-v-v1");
        page.keyboard().press("Enter");
        page.waitForURL("**/machines/avocet");
        assertThat(page.locator("#history")).containsText("topped up");
    }

    @Test
    void resinIsSievedStepByStep() {
        Page page = browsing.keeper(1024, 768);
        page.navigate("/machines/avocet/pour");
        page.click("a:has-text('Pour step by step')");
        page.click("main button:has-text('Begin')");
        page.check("label.choice:has-text('Sieve') input");
        done(page, "Which bottle?");
        Browsing.accessible(page);
        done(page, "Plate up");
        done(page, "Out through the filter");
        page.check("label.choice:has-text('Yes') input");
        done(page, "Where did they come from?");
        done(page, "Wipe the neck");
        done(page, "Lip, underside, lid");
        done(page, "Write it down");
        page.click("main button:has-text('Resin written down')");
        assertThat(page.locator("main h1")).hasText("Resin written down.");
        page.click("main a:has-text('To Avocet')");
        assertThat(page.locator("#history")).containsText("sieved");
    }

    private static void done(Page page, String next) {
        page.click("main form.answers button");
        assertThat(page.locator("main h1")).containsText(next);
    }

    @Test
    void aPrintGoesThroughTheWash() {
        Page page = browsing.keeper(1024, 768);
        page.navigate("/wash");
        Locator waits = page.locator(".wash-list li.TO_WASH").first();
        String print = "li:has(.who a[href='" + waits.locator(".who a").getAttribute("href") + "'])";
        waits.locator("button.btn-main").click();
        Locator washes = page.locator(".wash-list " + print);
        assertThat(washes).hasClass(Pattern.compile("\\bWASHING\\b"));
        assertThat(washes.locator("[data-until]")).hasText(Pattern.compile("[0-3]:\\d\\d"));
        Browsing.accessible(page);
        washes.locator("button:has-text('Into W')").click();
        page.locator(".wash-list " + print + ".WASHING_AGAIN")
                .locator("button:has-text('Out: it dries')")
                .click();
        page.locator(".wash-list " + print + ".DRYING")
                .locator("button:has-text('Cure it now')")
                .click();
        page.locator(".wash-list " + print + ".CURING")
                .locator("button:has-text('Tacky')")
                .click();
        page.waitForURL("**/failures/new**");
        assertThat(page.locator("input[name=symptoms][value=tacky]")).isChecked();
        page.goBack();
    }

    @Test
    void theStoresAreCountedAndWhatIsLowIsOrderedAndComes() {
        Page page = browsing.keeper(1280, 800);
        page.navigate("/stores/count");
        page.fill("input[name=n-storage-sticks]", "1");
        page.fill("input[name=why]", "two found broken");
        page.click("main button.btn-main");
        page.waitForURL("**/stores");
        page.navigate("/stores/storage-sticks");
        assertThat(page.locator("main")).containsText("counted 1 piece: two found broken");
        page.navigate("/stores/buying");
        Locator row = page.locator("tr", new Page.LocatorOptions().setHasText("Storage sticks"))
                .first();
        row.locator("button:has-text('Ordered')").click();
        assertThat(page.locator("main")).containsText("On its way");
        page.locator("tr", new Page.LocatorOptions().setHasText("Storage sticks"))
                .locator("button:has-text('Came')")
                .first()
                .click();
        page.navigate("/stores/storage-sticks");
        assertThat(page.locator("main")).containsText("delivery");
    }

    @Test
    void aBagIsPutAsideCuredAndHandedIn() {
        Page page = browsing.keeper(390, 844);
        page.navigate("/waste");
        page.locator("label.choice", new Page.LocatorOptions().setHasText("filters, sieves"))
                .click();
        page.fill("#f-place", "walked bag");
        page.click("aside button.btn-main");
        Locator row = page.locator(".waste-table tr", new Page.LocatorOptions().setHasText("walked bag"));
        row.locator("button").click();
        assertThat(page.locator(".waste-table tr", new Page.LocatorOptions().setHasText("walked bag")))
                .containsText("cured");
        page.navigate("/waste/sheet");
        page.fill("#f-to", "the depot");
        page.click("button:has-text('was handed in')");
        page.waitForURL("**/waste");
        assertThat(page.locator(".waste-table")).hasCount(0);
        page.navigate("/incidents/EYES");
        assertThat(page.locator(".measures li").first()).containsText("15 minutes");
        Browsing.accessible(page);
    }
}
